package unimotus.core.proof;

import java.util.List;
import unimotus.core.proof.Verdict.Outcome;

/**
 * How far an axis is proved.
 *
 * @param verdicts one a prediction, in the order of proving
 */
public record AxisProof(List<Verdict> verdicts) {

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

  /** Takes a copy. */
  public AxisProof {
    verdicts = List.copyOf(verdicts);
  }

  /** What of it proves the safety stops; no verdicts where there are none. */
  public AxisProof ofStops() {
    return new AxisProof(
        verdicts.stream()
            .filter(v -> v.prediction().key().startsWith(StopPredictions.PREFIX))
            .toList());
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
    return count(Outcome.OPEN) > 0 ? State.PARTLY : State.PROVEN;
  }
}
