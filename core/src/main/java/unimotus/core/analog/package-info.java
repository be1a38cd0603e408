/**
 * Signals of volts and milliamps: ranges, live zero, raw counts, resolution and loop supply.
 *
 * <p>{@link unimotus.core.analog.SignalRange} is the vocabulary, {@link
 * unimotus.core.analog.AnalogFormulas} the arithmetic. The checks of a whole reference stand with
 * the path, which knows both ends.
 */
@NullMarked
package unimotus.core.analog;

import org.jspecify.annotations.NullMarked;
