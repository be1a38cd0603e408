package unimotus.core.derivation;

import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/**
 * One line of a sum.
 *
 * @param quantity what is computed, in the field's term
 * @param formula the formula in symbols, such as {@code n = 120·f/p}
 * @param substitution the formula with the numbers put in
 * @param value the result, in {@code unit}
 * @param unit the unit of the result
 * @param source the published source, {@code common practice}, or where the input was read
 */
public record Step(
    String quantity,
    String formula,
    String substitution,
    double value,
    MeasureUnit unit,
    String source) {

  /** The step as one line of text. */
  public String text() {
    String sum = formula.isEmpty() ? "" : formula + " = ";
    String put = substitution.isEmpty() ? "" : substitution + " = ";
    return "%s: %s%s%s  [%s]"
        .formatted(quantity, sum, put, QuantityFormat.PLAIN.text(value, unit), source);
  }
}
