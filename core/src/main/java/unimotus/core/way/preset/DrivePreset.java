package unimotus.core.way.preset;

import java.util.Comparator;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import unimotus.core.derivation.Step;
import unimotus.core.path.FrequencyLimits;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.quantity.MeasureUnit;

/**
 * The drive turns a combination of its preset inputs into output frequency: the value entered for
 * it, kept between minimum and maximum frequency.
 *
 * @param hertz what stands for each combination, in hertz; never empty
 * @param codes code and name of the setting it stands in
 * @param limits its least and greatest frequency
 */
record DrivePreset(Map<Integer, Double> hertz, Map<Integer, String> codes, FrequencyLimits limits)
    implements Stage {

  /** Takes copies. */
  DrivePreset {
    hertz = new TreeMap<>(hertz);
    codes = Map.copyOf(codes);
  }

  @Override
  public Station from() {
    return Station.COUNTS;
  }

  @Override
  public Station to() {
    return Station.FREQUENCY;
  }

  @Override
  public MeasureUnit unit() {
    return MeasureUnit.HERTZ_UNIT;
  }

  /** A combination without a value leaves the drive at its minimum. */
  private double wanted(double number) {
    return hertz.getOrDefault((int) Math.rint(number), limits.minimumHertz());
  }

  @Override
  public double forward(double number) {
    return limits.kept(wanted(number));
  }

  @Override
  public double inverse(double wanted) {
    return hertz.entrySet().stream()
        .min(Comparator.comparingDouble(e -> Math.abs(e.getValue() - wanted)))
        .orElseThrow()
        .getKey();
  }

  @Override
  public double low() {
    return limits.minimumHertz();
  }

  @Override
  public double high() {
    return limits.maximumHertz();
  }

  @Override
  public String origin() {
    return "drive: preset frequencies";
  }

  @Override
  public Step sum(double in, double out) {
    int number = (int) Math.rint(in);
    return new Step(
        "output frequency",
        "the value of the combination",
        "combination %d: %s".formatted(number, codes.getOrDefault(number, "no setting")),
        out,
        unit(),
        origin());
  }

  @Override
  public Optional<String> condition(double number) {
    return limits.condition(wanted(number));
  }

  /** This stage with other values. */
  DrivePreset with(Map<Integer, Double> next) {
    return new DrivePreset(next, codes, limits);
  }

  /** This stage with other limits. */
  DrivePreset with(FrequencyLimits next) {
    return new DrivePreset(hertz, codes, next);
  }
}
