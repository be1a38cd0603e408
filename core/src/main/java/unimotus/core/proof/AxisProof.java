package unimotus.core.proof;

import java.util.List;
import unimotus.core.machine.Reading;
import unimotus.core.proof.Verdict.Outcome;
import unimotus.core.stops.JudgedStop;

/**
 * How far an axis is proved.
 *
 * @param verdicts one a prediction, in the order of proving
 * @param unasked readings that answer no prediction of the design as it is, in the order taken
 * @param barred stops that cannot be proved before they are mended, each in words; while there is
 *     one, nothing is proven
 * @param unpredicted why not everything is predicted, in words; while there is a reason, the axis
 *     is not proven
 */
public record AxisProof(
    List<Verdict> verdicts, List<Reading> unasked, List<String> barred, List<String> unpredicted) {

  /** The state of the whole. */
  public enum State {
    UNPROVEN("unproven"),
    PARTLY("partly proven"),
    DIFFERS("differs from the prediction"),
    STALE("stale"),
    PROVEN("proven");

    private final String label;

    State(String label) {
      this.label = label;
    }

    /** The words shown to the user. */
    public String label() {
      return label;
    }
  }

  /** Takes copies. */
  public AxisProof {
    verdicts = List.copyOf(verdicts);
    unasked = List.copyOf(unasked);
    barred = List.copyOf(barred);
    unpredicted = List.copyOf(unpredicted);
  }

  /** A proof that nothing bars. */
  public AxisProof(List<Verdict> verdicts) {
    this(verdicts, List.of(), List.of(), List.of());
  }

  /** This proof with the stops among these that were not found to stop. */
  public AxisProof barredBy(List<JudgedStop> stops) {
    return new AxisProof(
        verdicts,
        unasked,
        stops.stream()
            .filter(s -> !s.verdict().stops())
            .map(s -> "%s: %s".formatted(s.stop().name(), s.verdict().outcome().label()))
            .toList(),
        unpredicted);
  }

  /** This proof with what cannot be predicted, and so not be proven. */
  public AxisProof barredBy(Obstacles obstacles) {
    return new AxisProof(verdicts, unasked, barred, obstacles.all());
  }

  /** What of it proves the safety stops; no verdicts where there are none. */
  public AxisProof ofStops() {
    return new AxisProof(
        verdicts.stream()
            .filter(v -> v.prediction().key().startsWith(StopPredictions.PREFIX))
            .toList(),
        List.of(),
        barred,
        List.of());
  }

  /** How many verdicts have this outcome. */
  public long count(Outcome outcome) {
    return verdicts.stream().filter(v -> v.outcome() == outcome).count();
  }

  /** The state of the whole: one reading that differs outweighs all that agree. */
  public State state() {
    if (count(Outcome.DIFFERS) > 0) {
      return State.DIFFERS;
    }
    if (count(Outcome.STALE) > 0) {
      return State.STALE;
    }
    if (verdicts.isEmpty() || count(Outcome.AGREES) == 0) {
      return State.UNPROVEN;
    }
    return count(Outcome.OPEN) > 0 || !barred.isEmpty() || !unpredicted.isEmpty()
        ? State.PARTLY
        : State.PROVEN;
  }
}
