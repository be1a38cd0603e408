package unimotus.core.sequence;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;

/**
 * Steps one after the other.
 *
 * @param name what people call it
 * @param steps one at least
 * @param values named numbers that moves use, in the travel unit of the axis
 * @param kept those of them that a loss of power leaves as they are
 * @param byHand what buttons do while automatic mode is off; possibly empty
 */
public record Sequence(
    String name,
    List<SequenceStep> steps,
    Map<String, Double> values,
    Set<String> kept,
    List<HandCommand> byHand) {
  private static final int MOST = 200;

  /** Takes copies and checks that there are steps. */
  public Sequence {
    steps = List.copyOf(steps);
    byHand = List.copyOf(byHand);
    values = Collections.unmodifiableMap(new LinkedHashMap<>(values));
    kept = Collections.unmodifiableSet(new LinkedHashSet<>(kept));
    if (steps.isEmpty() || steps.size() > MOST) {
      throw new IllegalArgumentException(
          "sequence: it has 1 to %d steps, not %d".formatted(MOST, steps.size()));
    }
  }

  /** A sequence without buttons. */
  public Sequence(
      String name, List<SequenceStep> steps, Map<String, Double> values, Set<String> kept) {
    this(name, steps, values, kept, List.of());
  }

  /** The inputs it looks at, in the order they come, those of buttons last. */
  public List<String> inputs() {
    Set<String> inputs = new LinkedHashSet<>();
    steps.forEach(s -> s.ends().ifPresent(u -> inputs.add(u.input())));
    byHand.forEach(h -> inputs.add(h.input()));
    return List.copyOf(inputs);
  }

  /** The outputs it switches, in the order they come. */
  public List<String> outputs() {
    Set<String> outputs = new LinkedHashSet<>();
    for (SequenceStep step : steps) {
      if (step instanceof SequenceStep.Switch s) {
        outputs.add(s.output());
      }
    }
    byHand.stream().map(HandCommand::output).filter(Objects::nonNull).forEach(outputs::add);
    return List.copyOf(outputs);
  }
}
