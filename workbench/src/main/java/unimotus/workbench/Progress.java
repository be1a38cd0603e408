package unimotus.workbench;

import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.Snapshot;
import unimotus.core.proof.AxisProof;
import unimotus.core.proof.Verdict;
import unimotus.core.review.AxisReview;

/**
 * How far an axis is on its way through the work order, and the one next thing to do.
 *
 * @param states the state of each station
 * @param stopProved whether everything after Make safe rests on a proved stop
 * @param next the next thing to do, in one sentence
 * @param nextStep the station whose work it is
 * @param mending the finding that the next thing mends; empty where it mends none
 */
public record Progress(
    Map<WorkStep, State> states,
    boolean stopProved,
    String next,
    WorkStep nextStep,
    Optional<Finding> mending) {

  /** The state of a station for an axis. */
  public enum State {
    /** Nothing there yet. */
    OPEN,
    /** Begun, or with something to look at. */
    PARTLY,
    /** Something must be mended. */
    ATTENTION,
    /** Nothing left to do. */
    DONE,
    /** Not part of this version. */
    LATER
  }

  /** Takes a copy. */
  public Progress {
    states = Map.copyOf(states);
  }

  /** The state of a station. */
  public State state(WorkStep step) {
    return Objects.requireNonNull(states.get(step), step::name);
  }

  /**
   * The progress of an axis.
   *
   * @param review what the rules say
   * @param proof its proof, where it is complete
   * @param mayGoOn whether a reason to go on without a proved stop is on record
   */
  public static Progress of(AxisReview review, Optional<AxisProof> proof, boolean mayGoOn) {
    Map<WorkStep, State> states = new EnumMap<>(WorkStep.class);
    for (WorkStep step : WorkStep.values()) {
      states.put(step, state(step, review, proof));
    }
    boolean stopProved = states.get(WorkStep.MAKE_SAFE) == State.DONE;
    if (states.get(WorkStep.PROVE) == State.ATTENTION) {
      return new Progress(
          states,
          stopProved,
          next(WorkStep.PROVE, review, proof),
          WorkStep.PROVE,
          Optional.empty());
    }
    WorkStep at =
        List.of(WorkStep.values()).stream()
            .filter(s -> states.get(s) != State.DONE && states.get(s) != State.LATER)
            .filter(s -> s != WorkStep.MAKE_SAFE || !mayGoOn)
            .findFirst()
            .orElse(WorkStep.PROVE);
    Optional<Finding> worst =
        review.findings().stream().filter(f -> f.severity() == Severity.ERROR).findFirst();
    if (worst.isPresent() && !worst.get().rule().equals(Rule.AXIS_INCOMPLETE)) {
      return new Progress(
          states, stopProved, worst.get().remedy(), WorkStep.of(worst.get().rule()), worst);
    }
    return new Progress(states, stopProved, next(at, review, proof), at, first(at, review));
  }

  /** What is first mended at a station; a proof is measured, and where no path is nothing is. */
  private static Optional<Finding> first(WorkStep at, AxisReview review) {
    return review.assembly() == null
            || at == WorkStep.PROVE
            || (at == WorkStep.MAKE_SAFE && review.assembly().stops().isEmpty())
        ? Optional.empty()
        : review.findings().stream().filter(f -> WorkStep.of(f.rule()) == at).findFirst();
  }

  private static State state(WorkStep step, AxisReview review, Optional<AxisProof> proof) {
    if (step == WorkStep.HAND_OVER) {
      return State.LATER;
    }
    if (review.assembly() == null) {
      return step == WorkStep.IDENTIFY ? State.PARTLY : State.OPEN;
    }
    if (step == WorkStep.PROVE) {
      return proof.map(Progress::proofState).orElse(State.OPEN);
    }
    State rules = worst(step, review);
    if (step == WorkStep.SET_UP && rules == State.DONE && !isLeft(review)) {
      return State.PARTLY;
    }
    return step == WorkStep.MAKE_SAFE && rules != State.ATTENTION
        ? stopState(review, proof, rules)
        : rules;
  }

  /** Whether somebody read the drive when its settings were entered. */
  private static boolean isLeft(AxisReview review) {
    return Optional.ofNullable(review.assembly())
        .flatMap(a -> a.record().last(Snapshot.Kind.AS_LEFT))
        .isPresent();
  }

  /** A stop that is not designed is open; one that is designed is not done before it is proved. */
  private static State stopState(AxisReview review, Optional<AxisProof> proof, State rules) {
    if (review.assembly() == null || review.assembly().stops().isEmpty()) {
      return State.OPEN;
    }
    State proved = proof.map(p -> proofState(p.ofStops())).orElse(State.OPEN);
    return switch (proved) {
      case ATTENTION -> State.ATTENTION;
      case DONE -> rules;
      default -> State.PARTLY;
    };
  }

  private static State worst(WorkStep step, AxisReview review) {
    List<Severity> here =
        review.findings().stream()
            .filter(f -> WorkStep.of(f.rule()) == step)
            .map(Finding::severity)
            .toList();
    if (here.contains(Severity.ERROR)) {
      return State.ATTENTION;
    }
    return here.contains(Severity.WARNING) ? State.PARTLY : State.DONE;
  }

  private static State proofState(AxisProof proof) {
    return switch (proof.state()) {
      case UNPROVEN -> State.OPEN;
      case PARTLY, STALE -> State.PARTLY;
      case DIFFERS -> State.ATTENTION;
      case PROVEN -> State.DONE;
    };
  }

  private static String next(WorkStep at, AxisReview review, Optional<AxisProof> proof) {
    if (review.assembly() == null) {
      return review.whyNoPath();
    }
    if (at == WorkStep.MAKE_SAFE && review.assembly().stops().isEmpty()) {
      return "Design what stops this axis";
    }
    if (at != WorkStep.PROVE) {
      return first(at, review).map(Finding::remedy).orElse(open(at));
    }
    return proof.map(Progress::proofNext).orElse("Prove the axis");
  }

  private static String open(WorkStep at) {
    return switch (at) {
      case MAKE_SAFE -> "Prove the stop before motion";
      case SET_UP -> "Enter the settings, read them back as left";
      default -> "Open " + at.label();
    };
  }

  private static String proofNext(AxisProof proof) {
    return switch (proof.state()) {
      case PROVEN -> "Proven as designed";
      case DIFFERS -> "A reading differs: see Diagnosis for the cause";
      case STALE -> "The design changed: measure again what is stale";
      default ->
          proof.verdicts().stream()
              .filter(v -> v.outcome() == Verdict.Outcome.OPEN)
              .findFirst()
              .map(
                  v ->
                      "Measure: %s, %s"
                          .formatted(
                              v.prediction().group().toLowerCase(Locale.ROOT),
                              v.prediction().title()))
              .orElse("Measure");
    };
  }
}
