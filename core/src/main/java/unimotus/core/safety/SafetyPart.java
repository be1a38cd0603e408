package unimotus.core.safety;

import java.util.Optional;
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

  /** The level the part alone could reach; empty where its rate is not known or under level a. */
  public Optional<PerformanceLevel> level() {
    PerformanceLevel best = structure == null ? most : most.noBetterThan(structure.best());
    return PerformanceLevel.of(dangerousPerHour).map(l -> l.noBetterThan(best));
  }

  /** Whether its rate is known. */
  public boolean isKnown() {
    return !Double.isNaN(dangerousPerHour);
  }
}
