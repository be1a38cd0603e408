package unimotus.core.safety;

import org.jspecify.annotations.Nullable;
import unimotus.core.derivation.Derivation;

/**
 * One part of a safety function with what it adds to the whole.
 *
 * @param name the device or devices
 * @param category its structure; null where the sheet states the rate of a finished device
 * @param coverage share of its dangerous failures that the fault run found, 0 to 1; not-a-number
 *     where the sheet states the rate
 * @param dangerousPerHour its dangerous failures per hour; not-a-number where nothing is known
 * @param sum how it came about
 */
public record SafetyPart(
    String name,
    @Nullable Category category,
    double coverage,
    double dangerousPerHour,
    Derivation sum) {

  /** The level the part alone could reach. */
  public PerformanceLevel level() {
    PerformanceLevel byRate = PerformanceLevel.of(dangerousPerHour);
    return category == null || byRate.compareTo(category.best()) <= 0 ? byRate : category.best();
  }

  /** Whether its rate is known. */
  public boolean isKnown() {
    return !Double.isNaN(dangerousPerHour);
  }
}
