package unimotus.core.calc;

import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.Quantity;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.quantity.QuantityText;

/** Turns a quantity into another unit of the same dimension. */
public final class UnitConversion {
  private UnitConversion() {}

  /**
   * Converts, such as {@code 7.5kW} to {@code hp}.
   *
   * @throws IllegalArgumentException where a unit is not known or the dimensions differ
   */
  public static CalcResult convert(String value, String targetSymbol) {
    return convert(value, targetSymbol, '.');
  }

  /** Converts as {@link #convert(String, String)} with the reader's own decimal mark. */
  public static CalcResult convert(String value, String targetSymbol, char decimalMark) {
    MeasureUnit target =
        MeasureUnit.ofSymbol(targetSymbol)
            .orElseThrow(
                () -> new IllegalArgumentException("to: unit '" + targetSymbol + "' is not known"));
    Quantity given = QuantityText.parse("value", value, target, decimalMark);
    double converted = given.in(target);
    String factor = QuantityFormat.PLAIN.number(given.unit().convert(1, target));
    Step step =
        new Step(
            "value",
            "v·factor",
            "%s·%s".formatted(QuantityFormat.PLAIN.number(given.value()), factor),
            converted,
            target,
            "definition of the units");
    return new CalcResult(converted, target, Derivation.of(step), step.source(), "");
  }
}
