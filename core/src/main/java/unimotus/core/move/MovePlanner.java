package unimotus.core.move;

import java.util.ArrayList;
import java.util.List;
import org.hipparchus.analysis.solvers.BracketingNthOrderBrentSolver;

/** Plans a motion from rest to rest in the shortest time that its limits allow. */
public final class MovePlanner {
  private static final int ROUNDS = 200;
  private static final int ORDER = 5;

  /** A phase shorter than this part of the whole is the rounding of one that is not there. */
  private static final double NO_PHASE = 1e-12;

  private MovePlanner() {}

  /** A move to a place. */
  public static MotionPlan between(double from, double to, MoveLimits limits) {
    finite("start", from);
    finite("target", to);
    double distance = Math.abs(to - from);
    if (distance == 0) {
      return MotionPlan.standing(from, 0);
    }
    double peak = peak(distance, limits);
    Ramp up = new Ramp(limits.acceleration(), limits.jerk());
    Ramp down = new Ramp(limits.deceleration(), limits.jerk());
    double cruise = (distance - up.distance(peak) - down.distance(peak)) / peak;
    return assembled(from, to, peak, Math.max(0, cruise), limits);
  }

  /**
   * A jog: held for a time, then let go. Where the button is let go while it still speeds up, the
   * speed reached is the one that takes just so long.
   *
   * @param velocity wanted, negative for backwards; its size is at most that of the limits
   * @param held seconds, over 0
   */
  public static MotionPlan jog(double from, double velocity, double held, MoveLimits limits) {
    finite("start", from);
    if (!(held > 0 && held < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException("jog: must be held for more than 0 s, not " + held);
    }
    if (!(Math.abs(velocity) > 0 && Math.abs(velocity) <= limits.velocity())) {
      throw new IllegalArgumentException(
          "jog: velocity must be up to %s and not 0, but is %s"
              .formatted(limits.velocity(), velocity));
    }
    Ramp up = new Ramp(limits.acceleration(), limits.jerk());
    double peak = Math.min(Math.abs(velocity), up.velocityAfter(held));
    double cruise = Math.max(0, held - up.seconds(peak));
    Ramp down = new Ramp(limits.deceleration(), limits.jerk());
    double way = up.distance(peak) + down.distance(peak) + peak * cruise;
    return assembled(from, from + Math.signum(velocity) * way, peak, cruise, limits);
  }

  /** From where it is to rest at the deceleration, without regard to jerk, as a halt does it. */
  public static MotionPlan halt(MotionState at, MoveLimits limits) {
    double seconds = Math.abs(at.velocity()) / limits.deceleration();
    if (seconds == 0) {
      return MotionPlan.standing(at.position(), 0);
    }
    double slope = -Math.signum(at.velocity()) * limits.deceleration();
    Phase phase = new Phase(seconds, new MotionState(at.position(), at.velocity(), slope, 0));
    return new MotionPlan(at.position(), phase.end().position(), List.of(phase));
  }

  /** The speed at which both ramps just use up the way, or the one allowed where that is less. */
  private static double peak(double distance, MoveLimits limits) {
    Ramp up = new Ramp(limits.acceleration(), limits.jerk());
    Ramp down = new Ramp(limits.deceleration(), limits.jerk());
    if (up.distance(limits.velocity()) + down.distance(limits.velocity()) <= distance) {
      return limits.velocity();
    }
    double a = limits.acceleration();
    double d = limits.deceleration();
    // v²/2a + v²/2d = s
    double triangle = Math.sqrt(2 * distance * a * d / (a + d));
    if (limits.jumps()) {
      return triangle;
    }
    // A limited jerk only makes it slower, so the answer lies under the triangle's.
    double most = Math.min(triangle, limits.velocity());
    return new BracketingNthOrderBrentSolver(1e-15, most * 1e-15, distance * 1e-15, ORDER)
        .solve(ROUNDS, v -> up.distance(v) + down.distance(v) - distance, 0, most, most / 2);
  }

  private static MotionPlan assembled(
      double from, double to, double peak, double cruise, MoveLimits limits) {
    double sign = Math.signum(to - from);
    Ramp up = new Ramp(limits.acceleration(), limits.jerk());
    Ramp down = new Ramp(limits.deceleration(), limits.jerk());
    double shortest = NO_PHASE * (up.seconds(peak) + cruise + down.seconds(peak));
    List<double[]> parts = new ArrayList<>();
    ramp(parts, up, peak, sign, 0, sign * peak);
    parts.add(new double[] {cruise, sign * peak, 0, 0});
    ramp(parts, down, peak, -sign, sign * peak, 0);
    List<Phase> phases = new ArrayList<>();
    double at = from;
    for (double[] part : parts) {
      if (part[0] > shortest) {
        Phase phase = new Phase(part[0], new MotionState(at, part[1], part[2], part[3]));
        phases.add(phase);
        at = phase.end().position();
      }
    }
    return new MotionPlan(from, to, phases);
  }

  /** Adds seconds, velocity, acceleration and jerk of the one or three parts of a ramp. */
  private static void ramp(
      List<double[]> parts, Ramp ramp, double peak, double sign, double before, double after) {
    double jerkSeconds = ramp.jerkSeconds(peak);
    double most = sign * ramp.peakAcceleration(peak);
    double change = most * jerkSeconds / 2;
    if (jerkSeconds > 0) {
      parts.add(new double[] {jerkSeconds, before, 0, sign * ramp.jerk()});
    }
    parts.add(new double[] {ramp.seconds(peak) - 2 * jerkSeconds, before + change, most, 0});
    if (jerkSeconds > 0) {
      parts.add(new double[] {jerkSeconds, after - change, most, -sign * ramp.jerk()});
    }
  }

  private static void finite(String what, double value) {
    if (!Double.isFinite(value)) {
      throw new IllegalArgumentException(
          "move: %s must be a number, not %s".formatted(what, value));
    }
  }
}
