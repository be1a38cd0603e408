package unimotus.core.path;

import static unimotus.core.path.Numbers.text;
import static unimotus.core.quantity.MeasureUnit.HERTZ_UNIT;

import java.util.Arrays;
import java.util.Optional;
import java.util.stream.DoubleStream;

/**
 * Between which frequencies a drive keeps its output while it runs.
 *
 * @param minimumHertz least frequency while running
 * @param maximumHertz greatest frequency
 */
public record FrequencyLimits(double minimumHertz, double maximumHertz) {
  private static final double[] USUAL_HERTZ = {40, 45, 50, 60, 87, 100, 120};

  /** Frequencies drives and motors are set to (common practice). */
  public static DoubleStream usualHertz() {
    return Arrays.stream(USUAL_HERTZ);
  }

  /** The frequency that is made of a wanted one; its sign stays. */
  public double kept(double wantedHertz) {
    double size =
        Numbers.clamp(Math.abs(wantedHertz), minimumHertz, Math.max(minimumHertz, maximumHertz));
    return wantedHertz < 0 ? -size : size;
  }

  /** What is done to a wanted frequency, in words; empty where nothing is. */
  public Optional<String> condition(double wantedHertz) {
    double size = Math.abs(wantedHertz);
    if (size > maximumHertz + 1e-9) {
      return Optional.of("held at %s: maximum frequency".formatted(text(maximumHertz, HERTZ_UNIT)));
    }
    return size < minimumHertz - 1e-9
        ? Optional.of("lifted to %s: minimum frequency".formatted(text(minimumHertz, HERTZ_UNIT)))
        : Optional.empty();
  }
}
