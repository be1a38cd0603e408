package unimotus.core.calc;

import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/** Short ways to a result with one line of sum. */
final class Sums {
  private Sums() {}

  /** A result whose sum is one formula; {@code %s} in {@code put} take {@code numbers} in order. */
  static CalcResult result(
      String quantity,
      String formula,
      String put,
      double value,
      MeasureUnit unit,
      String source,
      double... numbers) {
    Object[] texts = new Object[numbers.length];
    for (int i = 0; i < numbers.length; i++) {
      texts[i] = QuantityFormat.PLAIN.number(numbers[i]);
    }
    Step step = new Step(quantity, formula, put.formatted(texts), value, unit, source);
    return new CalcResult(value, unit, Derivation.of(step), source, "");
  }

  static CalcResult remark(CalcResult result, String remark) {
    return new CalcResult(
        result.value(), result.unit(), result.derivation(), result.source(), remark);
  }
}
