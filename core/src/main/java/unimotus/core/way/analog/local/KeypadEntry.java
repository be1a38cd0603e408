package unimotus.core.way.analog.local;

import static unimotus.core.path.Numbers.text;

import unimotus.core.derivation.Step;
import unimotus.core.path.Numbers;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.quantity.MeasureUnit;

/**
 * The frequency that stands for a share of the span: f = f₀ + p/100·(f₁₀₀ − f₀), in the steps of a
 * keypad.
 *
 * @param frequencyAtZeroHertz f₀
 * @param frequencyAtFullHertz f₁₀₀
 */
record KeypadEntry(double frequencyAtZeroHertz, double frequencyAtFullHertz) implements Stage {
  /** What keypads enter (common practice). */
  private static final double STEP_HERTZ = 0.1;

  @Override
  public Station from() {
    return Station.PERCENT;
  }

  @Override
  public Station to() {
    return Station.COUNTS;
  }

  @Override
  public MeasureUnit unit() {
    return MeasureUnit.HERTZ_UNIT;
  }

  @Override
  public double forward(double percent) {
    return Numbers.quantise(frequencyAtZeroHertz + percent / 100 * span(), STEP_HERTZ);
  }

  @Override
  public double inverse(double hertz) {
    return (hertz - frequencyAtZeroHertz) / span() * 100;
  }

  private double span() {
    return frequencyAtFullHertz - frequencyAtZeroHertz;
  }

  @Override
  public double low() {
    return frequencyAtZeroHertz;
  }

  @Override
  public double high() {
    return frequencyAtFullHertz;
  }

  @Override
  public double step() {
    return STEP_HERTZ;
  }

  @Override
  public String origin() {
    return "entered at the drive";
  }

  @Override
  public Step sum(double in, double out) {
    return new Step(
        "keypad",
        "f₀ + p/100·(f₁₀₀ − f₀)",
        "%s + %s/100·(%s − %s)"
            .formatted(
                text(frequencyAtZeroHertz),
                text(in),
                text(frequencyAtFullHertz),
                text(frequencyAtZeroHertz)),
        out,
        unit(),
        origin());
  }
}
