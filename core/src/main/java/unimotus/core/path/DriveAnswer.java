package unimotus.core.path;

import static unimotus.core.path.Numbers.text;

import java.util.Optional;
import unimotus.core.analog.SignalRange;
import unimotus.core.derivation.Step;
import unimotus.core.quantity.MeasureUnit;

/**
 * The drive's analog output shows its frequency: s = s₀ + |f|/F·(s₁₀₀ − s₀), held at full scale.
 *
 * @param terminal the output terminal
 * @param range range the output is set to
 * @param fullScaleHertz F, the frequency shown as full scale
 */
public record DriveAnswer(String terminal, SignalRange range, double fullScaleHertz)
    implements Stage {

  @Override
  public Station from() {
    return Station.FREQUENCY;
  }

  @Override
  public Station to() {
    return Station.ANSWER_SIGNAL;
  }

  @Override
  public MeasureUnit unit() {
    return range.unit();
  }

  @Override
  public double forward(double hertz) {
    double percent = Math.abs(hertz) / fullScaleHertz * 100;
    return range.signalAt(Math.min(100, percent));
  }

  @Override
  public double inverse(double signal) {
    return range.percentAt(signal) / 100 * fullScaleHertz;
  }

  @Override
  public double low() {
    return Math.max(0, range.low());
  }

  @Override
  public double high() {
    return range.high();
  }

  @Override
  public String origin() {
    return "output %s: %s at %s"
        .formatted(terminal, range.label(), text(fullScaleHertz, MeasureUnit.HERTZ_UNIT));
  }

  @Override
  public Step sum(double in, double out) {
    return new Step(
        "answer signal",
        "s₀ + |f|/F·(s₁₀₀ − s₀)",
        "%s + %s/%s·%s"
            .formatted(
                text(low()), text(Math.abs(in)), text(fullScaleHertz), text(range.high() - low())),
        out,
        unit(),
        origin());
  }

  @Override
  public Optional<String> condition(double hertz) {
    return Math.abs(hertz) > fullScaleHertz + 1e-9
        ? Optional.of(
            "held at full scale: the output shows no more than "
                + text(fullScaleHertz, MeasureUnit.HERTZ_UNIT))
        : Optional.empty();
  }
}
