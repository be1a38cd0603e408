package unimotus.core.detective;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A cause and how well it explains the readings.
 *
 * @param cause the cause
 * @param variant its best variant, null for {@link Cause#NOT_EXPLAINED}
 * @param probability posterior probability among all causes considered, 0 to 1
 * @param explained how many clues lie within their tolerance under this cause
 * @param clues how many clues there are
 * @param evidence each clue beside what the cause would give, the one furthest from the design
 *     first
 */
public record Suspicion(
    Cause cause,
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
    return variant == null || variant.text().isEmpty()
        ? cause.title()
        : cause.title() + ": " + variant.text();
  }
}
