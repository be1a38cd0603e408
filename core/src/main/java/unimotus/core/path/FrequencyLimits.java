package unimotus.core.path;

import static unimotus.core.path.Numbers.text;
import static unimotus.core.quantity.MeasureUnit.HERTZ_UNIT;

import java.util.Optional;

/**
 * Between which frequencies a drive keeps its output while it runs.
 *
 * @param minimumHertz least frequency while running
 * @param maximumHertz greatest frequency
 */
public record FrequencyLimits(double minimumHertz, double maximumHertz) {

  /** The frequency that is made of a wanted one; its sign stays. */
  double kept(double wantedHertz) {
    double size =
        Numbers.clamp(Math.abs(wantedHertz), minimumHertz, Math.max(minimumHertz, maximumHertz));
    return wantedHertz < 0 ? -size : size;
  }

  /** What is done to a wanted frequency, in words; empty where nothing is. */
  Optional<String> condition(double wantedHertz) {
    double size = Math.abs(wantedHertz);
    if (size > maximumHertz + 1e-9) {
      return Optional.of("held at %s: maximum frequency".formatted(text(maximumHertz, HERTZ_UNIT)));
    }
    return size < minimumHertz - 1e-9
        ? Optional.of("lifted to %s: minimum frequency".formatted(text(minimumHertz, HERTZ_UNIT)))
        : Optional.empty();
  }
}
