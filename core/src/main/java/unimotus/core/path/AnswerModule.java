package unimotus.core.path;

import static unimotus.core.path.Numbers.text;

import unimotus.core.analog.SignalRange;
import unimotus.core.derivation.Step;
import unimotus.core.quantity.MeasureUnit;

/**
 * The controller's input module makes counts of the signal: counts = (s − s₀)/(s₁₀₀ − s₀)·M, whole
 * and held within the range.
 *
 * @param point the input point
 * @param range range the channel is set to
 * @param fullScaleCounts M, counts the module gives at full scale
 */
public record AnswerModule(String point, SignalRange range, int fullScaleCounts) implements Stage {

  @Override
  public Station from() {
    return Station.ANSWER_SIGNAL;
  }

  @Override
  public Station to() {
    return Station.ANSWER_COUNTS;
  }

  @Override
  public MeasureUnit unit() {
    return MeasureUnit.COUNTS;
  }

  @Override
  public double forward(double signal) {
    return Math.rint(Numbers.clamp(range.percentAt(signal) / 100 * fullScaleCounts, low(), high()));
  }

  @Override
  public double inverse(double counts) {
    return range.signalAt(counts / fullScaleCounts * 100);
  }

  @Override
  public double low() {
    return range.leastPercent() / 100 * fullScaleCounts;
  }

  @Override
  public double high() {
    return fullScaleCounts;
  }

  @Override
  public double step() {
    return 1;
  }

  @Override
  public String origin() {
    return "module %s: %s, %s counts".formatted(point, range.label(), text(fullScaleCounts));
  }

  @Override
  public Step sum(double in, double out) {
    return new Step(
        "answer counts",
        "(s − s₀)/(s₁₀₀ − s₀)·M",
        "(%s − %s)/%s·%s, whole"
            .formatted(
                text(in),
                text(Math.max(0, range.low())),
                text(range.high() - Math.max(0, range.low())),
                text(fullScaleCounts)),
        out,
        unit(),
        origin());
  }
}
