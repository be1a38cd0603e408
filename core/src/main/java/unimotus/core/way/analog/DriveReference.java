package unimotus.core.way.analog;

import static unimotus.core.path.Numbers.text;

import java.util.Optional;
import unimotus.core.derivation.Step;
import unimotus.core.path.FrequencyLimits;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.quantity.MeasureUnit;

/**
 * The drive turns percent into output frequency: f = f₀ + p/100·(f₁₀₀ − f₀), kept between its
 * minimum and maximum.
 *
 * @param frequencyAtLowHertz f₀
 * @param frequencyAtHighHertz f₁₀₀
 * @param minimumHertz least frequency while running
 * @param maximumHertz greatest frequency
 * @param leastPercent −100 where the sign carries the direction, else 0
 * @param codes codes of the settings the numbers come from
 */
public record DriveReference(
    double frequencyAtLowHertz,
    double frequencyAtHighHertz,
    double minimumHertz,
    double maximumHertz,
    double leastPercent,
    String codes)
    implements Stage {

  @Override
  public Station from() {
    return Station.DRIVE_PERCENT;
  }

  @Override
  public Station to() {
    return Station.FREQUENCY;
  }

  @Override
  public MeasureUnit unit() {
    return MeasureUnit.HERTZ_UNIT;
  }

  @Override
  public double forward(double percent) {
    return limits().kept(straight(percent));
  }

  @Override
  public double inverse(double hertz) {
    double span = frequencyAtHighHertz - frequencyAtLowHertz;
    return span == 0
        ? 0
        : Math.signum(hertz) * (Math.abs(hertz) - frequencyAtLowHertz) / span * 100;
  }

  @Override
  public double low() {
    return leastPercent < 0 ? -maximumHertz : minimumHertz;
  }

  @Override
  public double high() {
    return maximumHertz;
  }

  @Override
  public double step() {
    return 0.01;
  }

  @Override
  public String origin() {
    return "drive " + codes;
  }

  @Override
  public Step sum(double in, double out) {
    return new Step(
        "output frequency",
        "f₀ + p/100·(f₁₀₀ − f₀)",
        "%s + %s/100·(%s − %s)"
            .formatted(
                text(frequencyAtLowHertz),
                text(in),
                text(frequencyAtHighHertz),
                text(frequencyAtLowHertz)),
        out,
        unit(),
        origin());
  }

  @Override
  public Optional<String> condition(double percent) {
    return limits().condition(straight(percent));
  }

  private FrequencyLimits limits() {
    return new FrequencyLimits(minimumHertz, maximumHertz);
  }

  private double straight(double percent) {
    double size =
        frequencyAtLowHertz
            + Math.abs(percent) / 100 * (frequencyAtHighHertz - frequencyAtLowHertz);
    return percent < 0 ? -size : size;
  }
}
