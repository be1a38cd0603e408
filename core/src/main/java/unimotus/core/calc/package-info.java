/**
 * The pocket calculator of the trade: one calculator a question, each with its sum and its source.
 *
 * <p>{@link unimotus.core.calc.Calculators} lists them; they only put the formulas of the subject
 * packages within reach and unfold them.
 */
@NullMarked
package unimotus.core.calc;

import org.jspecify.annotations.NullMarked;
