package unimotus.core.sequence;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Looks over sequences: what waits for ever, what moves without looking, what stays on. */
public final class SequenceChecks {
  private final Sequence sequence;
  private final List<SequenceDoubt> doubts = new ArrayList<>();

  private SequenceChecks(Sequence sequence) {
    this.sequence = sequence;
  }

  /** What is doubtful about one sequence, in the order of its steps; possibly empty. */
  public static List<SequenceDoubt> of(Sequence sequence) {
    SequenceChecks checks = new SequenceChecks(sequence);
    for (int i = 0; i < sequence.steps().size(); i++) {
      checks.step(i + 1, sequence.steps().get(i));
    }
    checks.latches();
    checks.values();
    return List.copyOf(checks.doubts);
  }

  private void step(int number, SequenceStep step) {
    step.ends().ifPresent(until -> limit(number, step, until));
    if (step instanceof SequenceStep.Repeat repeat && number < sequence.steps().size()) {
      repeated(number, repeat);
    }
    if (step.moves() && number > 1) {
      feedback(number);
    }
  }

  private void limit(int number, SequenceStep step, Until until) {
    if (!until.isLimited()) {
      boolean runs = step instanceof SequenceStep.Jog;
      doubt(
          runs ? SequenceDoubt.Kind.JOG_UNENDED : SequenceDoubt.Kind.NO_LIMIT,
          number,
          "it waits for '%s' and nothing limits the wait".formatted(until.words()),
          runs
              ? "Where that switch is missed the axis runs against its end."
              : "Where it never comes the sequence stands, and nobody is told why.",
          "Add a limit, such as within 5 s; what moves has its over-travel switch beside it.");
    }
    previous(number)
        // What was switched on until it was seen is off again, and may let it go.
        .filter(p -> !(p instanceof SequenceStep.Switch))
        .flatMap(SequenceStep::ends)
        .filter(p -> p.input().equals(until.input()) && p.holds() != until.holds())
        .filter(p -> !(step instanceof SequenceStep.Jog) && !(step instanceof SequenceStep.Switch))
        .ifPresent(
            p ->
                doubt(
                    SequenceDoubt.Kind.CONTRADICTION,
                    number,
                    "it waits for '%s' straight after '%s'".formatted(until.words(), p.words()),
                    "Nothing in between makes it change.",
                    "Add what makes it change, or take one of the two out."));
  }

  private void repeated(int number, SequenceStep.Repeat repeat) {
    if (repeat.times() == 0) {
      doubt(
          SequenceDoubt.Kind.DEAD_END,
          number,
          "it begins again for ever; %d more steps stand behind it"
              .formatted(sequence.steps().size() - number),
          "They are never run.",
          "Say how many times, or move it to the end.");
    }
  }

  /** An output that was switched before a move, and nothing was looked at in between. */
  private void feedback(int number) {
    previous(number)
        .filter(p -> p instanceof SequenceStep.Switch s && s.until() == null)
        .map(SequenceStep.Switch.class::cast)
        .ifPresent(
            s ->
                doubt(
                    SequenceDoubt.Kind.NO_FEEDBACK,
                    number,
                    "the axis moves straight after '%s' %s"
                        .formatted(s.output(), s.on() ? "on" : "off"),
                    "Nobody has looked whether it did what it should: a tool may still be down.",
                    "Wait for its feedback first, such as until 'tool is up' within 3 s."));
  }

  private Optional<SequenceStep> previous(int number) {
    return number > 1 ? Optional.of(sequence.steps().get(number - 2)) : Optional.empty();
  }

  private void latches() {
    Map<String, Integer> on = new LinkedHashMap<>();
    for (int i = 0; i < sequence.steps().size(); i++) {
      if (sequence.steps().get(i) instanceof SequenceStep.Switch s) {
        if (s.until() == null && s.on()) {
          on.put(s.output(), i + 1);
        } else {
          on.remove(s.output());
        }
      }
    }
    on.forEach(
        (output, number) ->
            doubt(
                SequenceDoubt.Kind.LATCH,
                number,
                "'%s' is switched on and never off again".formatted(output),
                "It stays on through every round, until the sequence ends or is taken away.",
                "Switch it off where it has done its work."));
  }

  private void values() {
    sequence.values().keySet().stream()
        .filter(v -> !sequence.kept().contains(v))
        .forEach(
            v ->
                doubt(
                    SequenceDoubt.Kind.VALUE_LOST,
                    0,
                    "'%s' is not kept".formatted(v),
                    "What somebody enters for it is lost at power-off, and the old number moves the axis.",
                    "Keep it: keep %s = …".formatted(v)));
  }

  private void doubt(SequenceDoubt.Kind kind, int step, String seen, String why, String remedy) {
    doubts.add(new SequenceDoubt(kind, step, seen, why, remedy));
  }
}
