package unimotus.core.path;

import static unimotus.core.path.Numbers.text;

import java.util.Optional;
import unimotus.core.derivation.Step;
import unimotus.core.quantity.MeasureUnit;

/**
 * What commands normalises its number: percent = (v − v₀)/(v₁₀₀ − v₀)·100, kept within the range.
 *
 * @param atZero v₀ in {@code numberUnit}
 * @param atFull v₁₀₀ in {@code numberUnit}
 * @param numberUnit unit of the program's number
 * @param leastPercent −100 where the sign carries the direction, else 0
 * @param commander what holds the number, such as {@code program} or {@code knob}
 */
public record ProgramScale(
    double atZero, double atFull, MeasureUnit numberUnit, double leastPercent, String commander)
    implements Stage {

  /** The scale of a program. */
  public ProgramScale(double atZero, double atFull, MeasureUnit numberUnit, double leastPercent) {
    this(atZero, atFull, numberUnit, leastPercent, "program");
  }

  @Override
  public Station from() {
    return Station.NUMBER;
  }

  @Override
  public Station to() {
    return Station.PERCENT;
  }

  @Override
  public MeasureUnit unit() {
    return MeasureUnit.PERCENT;
  }

  @Override
  public double forward(double number) {
    return Numbers.clamp(straight(number), leastPercent, 100);
  }

  @Override
  public double inverse(double percent) {
    return atZero + percent / 100 * (atFull - atZero);
  }

  @Override
  public double low() {
    return leastPercent;
  }

  @Override
  public double high() {
    return 100;
  }

  @Override
  public String origin() {
    return "%s: %s to %s".formatted(commander, text(atZero), text(atFull, numberUnit));
  }

  @Override
  public Step sum(double in, double out) {
    return new Step(
        "percent",
        "(v − v₀)/(v₁₀₀ − v₀)·100",
        "(%s − %s)/(%s − %s)·100".formatted(text(in), text(atZero), text(atFull), text(atZero)),
        out,
        unit(),
        origin());
  }

  @Override
  public Optional<String> condition(double number) {
    double percent = straight(number);
    if (percent > 100 + 1e-9) {
      return Optional.of(
          "held at 100 %%: the %s's span ends at %s"
              .formatted(commander, text(atFull, numberUnit)));
    }
    return percent < leastPercent - 1e-9
        ? Optional.of(
            "held at %s: the %s's span begins there"
                .formatted(text(leastPercent, unit()), commander))
        : Optional.empty();
  }

  /** The least number that is meant by a percent. */
  public double least() {
    return Math.min(inverse(leastPercent), atFull);
  }

  /** The greatest number that is meant by a percent. */
  public double most() {
    return Math.max(inverse(leastPercent), atFull);
  }

  private double straight(double number) {
    return (number - atZero) / (atFull - atZero) * 100;
  }
}
