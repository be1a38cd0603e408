package unimotus.core.safety;

import org.jspecify.annotations.Nullable;
import unimotus.core.derivation.Derivation;

/**
 * One part of a safety function with what it adds to the whole.
 *
 * @param name the device or devices
 * @param structure its structure; null where the sheet states the rate of a finished device
 * @param coverage share of its dangerous failures that the fault run found, 0 to 1; not-a-number
 *     where the sheet states the rate
 * @param dangerousPerHour its dangerous failures per hour; not-a-number where nothing may be told
 * @param most the best level that may be told of it, whatever its rate
 * @param sum how it came about
 */
public record SafetyPart(
    String name,
    @Nullable Structure structure,
    double coverage,
    double dangerousPerHour,
    PerformanceLevel most,
    Derivation sum) {

  /** The level the part alone could reach; meaningless where its rate is not known. */
  public PerformanceLevel level() {
    PerformanceLevel level = PerformanceLevel.of(dangerousPerHour).noBetterThan(most);
    return structure == null ? level : level.noBetterThan(structure.best());
  }

  /** Whether its rate is known. */
  public boolean isKnown() {
    return !Double.isNaN(dangerousPerHour);
  }
}
