package unimotus.core.path;

import static unimotus.core.path.Numbers.text;

import unimotus.core.derivation.Step;
import unimotus.core.quantity.MeasureUnit;

/**
 * The program shows the actual speed: v = counts/N·v_full.
 *
 * @param fullScaleCounts N, counts the program takes as full scale
 * @param speedAtFull v_full in {@code unit}
 * @param unit unit of the program's number
 */
public record AnswerProgram(int fullScaleCounts, double speedAtFull, MeasureUnit unit)
    implements Stage {

  @Override
  public Station from() {
    return Station.ANSWER_COUNTS;
  }

  @Override
  public Station to() {
    return Station.ANSWER_NUMBER;
  }

  @Override
  public double forward(double counts) {
    return counts / fullScaleCounts * speedAtFull;
  }

  @Override
  public double inverse(double speed) {
    return speed / speedAtFull * fullScaleCounts;
  }

  @Override
  public double low() {
    return 0;
  }

  @Override
  public double high() {
    return speedAtFull;
  }

  @Override
  public double step() {
    return speedAtFull / fullScaleCounts;
  }

  @Override
  public String origin() {
    return "program: %s at %s counts".formatted(text(speedAtFull, unit), text(fullScaleCounts));
  }

  @Override
  public Step sum(double in, double out) {
    return new Step(
        "answer number",
        "counts/N·v",
        "%s/%s·%s".formatted(text(in), text(fullScaleCounts), text(speedAtFull)),
        out,
        unit,
        origin());
  }
}
