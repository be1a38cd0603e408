package unimotus.core.derivation;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/**
 * The steps of a sum, in order.
 *
 * @param steps never null, possibly empty where a value was simply entered
 */
public record Derivation(List<Step> steps) {
  /** A value that was entered, not computed. */
  public static final Derivation NONE = new Derivation(List.of());

  /** Takes a copy of the steps. */
  public Derivation {
    steps = List.copyOf(steps);
  }

  /** A sum of the given steps. */
  public static Derivation of(Step... steps) {
    return new Derivation(List.of(steps));
  }

  /** This sum with {@code step} as the next line. */
  public Derivation then(Step step) {
    List<Step> longer = new ArrayList<>(steps);
    longer.add(step);
    return new Derivation(longer);
  }

  /** All steps, a line each. */
  public String text() {
    return steps.stream().map(Step::text).collect(Collectors.joining("\n"));
  }
}
