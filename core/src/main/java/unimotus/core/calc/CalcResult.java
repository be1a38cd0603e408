package unimotus.core.calc;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.quantity.MeasureUnit;

/**
 * What a calculator found.
 *
 * @param value the result in {@code unit}
 * @param unit its unit
 * @param derivation the sum
 * @param source the authority of the formula
 * @param remark what the number says in words, possibly empty
 */
public record CalcResult(
    double value, MeasureUnit unit, Derivation derivation, String source, String remark) {

  /** The same with a line of the sum before the others. */
  CalcResult after(Step first) {
    List<Step> steps = new ArrayList<>(List.of(first));
    steps.addAll(derivation.steps());
    return new CalcResult(value, unit, new Derivation(steps), source, remark);
  }
}
