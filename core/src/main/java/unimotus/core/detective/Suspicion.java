package unimotus.core.detective;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A cause and how well it explains the readings.
 *
 * @param cause the cause
 * @param second a second cause at the same time; null where one is enough
 * @param variant its best variant, null for {@link Cause#NOT_EXPLAINED}
 * @param probability posterior probability among all causes considered, 0 to 1
 * @param explained how many clues lie within their tolerance under this cause
 * @param clues how many clues there are
 * @param evidence each clue beside what the cause would give, the one furthest from the design
 *     first; for {@link Cause#NOT_EXPLAINED} the readings that go with no cause
 */
public record Suspicion(
    Cause cause,
    @Nullable Cause second,
    @Nullable Variant variant,
    double probability,
    int explained,
    int clues,
    List<String> evidence) {

  /** Takes a copy of the evidence. */
  public Suspicion {
    evidence = List.copyOf(evidence);
  }

  /** The cause with its numbers. */
  public String title() {
    String causes =
        second == null ? cause.title() : "%s, and %s".formatted(cause.title(), second.title());
    return variant == null || variant.text().isEmpty() ? causes : causes + ": " + variant.text();
  }

  /** The pattern it leaves in the readings. */
  public String signature() {
    return second == null ? cause.signature() : cause.signature() + " " + second.signature();
  }

  /** What to do about it. */
  public String remedy() {
    return second == null
        ? cause.remedy()
        : "%s Then: %s".formatted(cause.remedy(), second.remedy());
  }
}
