package unimotus.core.move;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;

/**
 * Moves one after the other.
 *
 * @param start position before the first
 * @param limits what every move keeps to
 * @param steps the steps in order; possibly empty
 * @param times how often they are run, 1 to 1000
 */
@RecordBuilder
public record MoveSequence(double start, MoveLimits limits, List<MoveStep> steps, int times)
    implements MoveSequenceBuilder.With {
  private static final int MOST = 1000;

  /** Takes a copy and checks the numbers. */
  public MoveSequence {
    steps = List.copyOf(steps);
    if (!Double.isFinite(start)) {
      throw new IllegalArgumentException("moves: start must be a number, not " + start);
    }
    if (times < 1 || times > MOST) {
      throw new IllegalArgumentException(
          "moves: they are run 1 to %d times, not %d".formatted(MOST, times));
    }
  }

  /**
   * A step as it will be run.
   *
   * @param step the step
   * @param round which time, from 1
   * @param begins seconds from the beginning
   * @param plan its motion
   * @param shape how its speed looks
   */
  public record Timed(MoveStep step, int round, double begins, MotionPlan plan, MoveShape shape) {
    /** Seconds from the beginning to its end. */
    public double ends() {
      return begins + plan.seconds();
    }
  }

  /**
   * Every step as it will be run.
   *
   * @throws IllegalArgumentException where a move leads outside the range, naming it
   */
  public List<Timed> timed(TravelRange range) {
    inside(range, start, "start");
    List<Timed> all = new ArrayList<>();
    double at = start;
    double time = 0;
    for (int round = 1; round <= times; round++) {
      for (int i = 0; i < steps.size(); i++) {
        MoveStep step = steps.get(i);
        MotionPlan plan = planned(step, at, range);
        inside(range, plan.to(), "step %d, %s".formatted(i + 1, step.label()));
        all.add(new Timed(step, round, time, plan, shape(step, plan)));
        at = plan.to();
        time += plan.seconds();
      }
    }
    return all;
  }

  /** The whole motion. */
  public MotionPlan plan(TravelRange range) {
    return MotionPlan.chained(start, timed(range).stream().map(Timed::plan).toList());
  }

  private MotionPlan planned(MoveStep step, double at, TravelRange range) {
    if (step instanceof MoveStep.Absolute absolute) {
      return MovePlanner.between(at, range.destination(at, absolute.target()), limits);
    }
    if (step instanceof MoveStep.Incremental incremental) {
      return MovePlanner.between(at, at + incremental.distance(), limits);
    }
    if (step instanceof MoveStep.Jog jog) {
      return MovePlanner.jog(at, jog.velocity(), jog.seconds(), limits);
    }
    return MotionPlan.standing(at, ((MoveStep.Dwell) step).seconds());
  }

  private MoveShape shape(MoveStep step, MotionPlan plan) {
    double wanted = step instanceof MoveStep.Jog jog ? Math.abs(jog.velocity()) : limits.velocity();
    return MoveShape.of(plan, wanted, limits.jumps());
  }

  private static void inside(TravelRange range, double position, String what) {
    if (!range.holds(position)) {
      throw new IllegalArgumentException(
          "moves: %s leads to %s, outside %s to %s"
              .formatted(what, position, range.least(), range.most()));
    }
  }
}
