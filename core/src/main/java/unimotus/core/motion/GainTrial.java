package unimotus.core.motion;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import unimotus.core.move.MotionPlan;
import unimotus.core.move.MoveSequence;
import unimotus.core.servo.Dynamics;
import unimotus.core.servo.LoopGains;
import unimotus.core.servo.ServoLoad;
import unimotus.core.servo.ServoLoop;
import unimotus.core.servo.ServoTrace;

/**
 * What gains do on the longest move of an axis. Lengths are in its travel unit.
 *
 * @param name of the gains in words
 * @param gains the gains
 * @param loadFactor inertia of the load as part of the one that was entered
 * @param largestError largest following error
 * @param overshoot of the load beyond the end
 * @param settlesAfter seconds after the plan's end until the load stays within the window; infinite
 *     where it does not in the time that was looked at
 */
public record GainTrial(
    String name,
    LoopGains gains,
    double loadFactor,
    double largestError,
    double overshoot,
    double settlesAfter) {

  /** Part of the move within which it counts as there. */
  public static final double WINDOW = 0.001;

  private static final double[] FACTORS = {1, 0.5, 2};
  private static final double LOOKED_AT = 2;

  /**
   * The three proposals, and the gains that were entered, each with the load as entered, half and
   * twice of it; empty where nothing moves.
   *
   * @throws IllegalArgumentException where a move leads outside the travel
   */
  public static List<GainTrial> all(ServoAxis axis) {
    Optional<MotionPlan> longest =
        axis.moves().stream()
            .map(MoveSequence.Timed::plan)
            .filter(p -> p.from() != p.to())
            .max(Comparator.comparing(p -> Math.abs(p.to() - p.from())));
    if (longest.isEmpty()) {
      return List.of();
    }
    List<GainTrial> trials = new ArrayList<>();
    LoopGains entered = axis.design().gains();
    if (entered != null) {
      trials.addAll(with(axis, longest.get(), "as entered", entered));
    }
    for (Dynamics dynamics : Dynamics.values()) {
      trials.addAll(with(axis, longest.get(), dynamics.label(), axis.proposal(dynamics).gains()));
    }
    return trials;
  }

  private static List<GainTrial> with(
      ServoAxis axis, MotionPlan move, String name, LoopGains gains) {
    List<GainTrial> trials = new ArrayList<>();
    for (double factor : FACTORS) {
      ServoLoad load = axis.load();
      ServoTrace trace =
          new ServoLoop(
                  axis.setup(gains).withLoad(load.withLoadKgM2(load.loadKgM2() * factor)),
                  axis.radiansPerUnit())
              .run(move, LOOKED_AT);
      double unit = axis.radiansPerUnit();
      double window = WINDOW * Math.abs(move.to() - move.from());
      trials.add(
          new GainTrial(
              name,
              gains,
              factor,
              trace.largestFollowingError() / unit,
              trace.overshoot() / unit,
              Math.max(0, trace.settledAfter(window * unit) - move.seconds())));
    }
    return trials;
  }
}
