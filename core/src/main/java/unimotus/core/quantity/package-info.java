/**
 * Numbers with units, read from what a person types and written the way the trade writes them.
 *
 * <p>Inside the program a value is a {@code double} whose unit stands in its name ({@code
 * speedRpm}). {@link unimotus.core.quantity.MeasureUnit} converts at the edges, {@link
 * unimotus.core.quantity.QuantityText} reads and {@link unimotus.core.quantity.QuantityFormat}
 * writes. Conversion factors come from the unit library of JSR 385.
 */
@NullMarked
package unimotus.core.quantity;

import org.jspecify.annotations.NullMarked;
