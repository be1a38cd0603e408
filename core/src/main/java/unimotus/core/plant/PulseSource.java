package unimotus.core.plant;

import unimotus.core.move.MotionPlan;
import unimotus.core.move.MotionState;
import unimotus.core.move.MoveLimits;
import unimotus.core.move.MovePlanner;

/**
 * The pulse block of a controller: it runs a move on its ramps, jogs while it is told to, and comes
 * to rest on the ramp where its command goes. A command has to be new to begin anything, and comes
 * only when the axis stands. It counts what it sends and knows nothing of what moved. Not
 * thread-safe.
 */
final class PulseSource {
  private static final double HELD = 3600;

  private final MoveLimits limits;
  private final double creep;
  private MotionPlan plan;
  private double since;
  private boolean executing;
  private int jogging;
  private double shift;

  PulseSource(MoveLimits limits, double creep) {
    this.limits = limits;
    this.creep = creep > 0 ? Math.min(creep, limits.velocity()) : limits.velocity();
    this.plan = MotionPlan.standing(0, 0);
  }

  /** Position as it counts, in the unit of the program. */
  double counted(double now) {
    return at(now).position() - shift;
  }

  /** All it sent since the beginning, in the unit of the program. */
  MotionState at(double now) {
    return plan.at(now - since);
  }

  /** Whether the move it was told to run is at its end. */
  boolean isDone(double now) {
    return executing && isAtRest(now);
  }

  boolean isAtRest(double now) {
    return now - since >= plan.seconds();
  }

  /** Counts from here on. */
  void zero(double now) {
    shift = at(now).position();
  }

  /**
   * What it is told in a scan.
   *
   * @param execute a move is to be run; it begins with its rising edge
   * @param amount of it
   * @param absolute whether that is a position
   * @param jog 1, −1 or 0
   */
  void tell(double now, boolean execute, double amount, boolean absolute, int jog) {
    boolean begins = execute && !executing;
    if (!execute && executing && !isAtRest(now)) {
      halt(now);
    }
    executing = execute;
    if (begins) {
      begin(now, amount, absolute);
    }
    if (jog != jogging) {
      jog(now, jog);
    }
  }

  private void begin(double now, double amount, boolean absolute) {
    double from = at(now).position();
    double to = absolute ? amount + shift : from + amount;
    go(now, MovePlanner.between(from, to, limits));
  }

  private void jog(double now, int jog) {
    if (jogging != 0) {
      halt(now);
    }
    jogging = isAtRest(now) ? jog : 0;
    if (jogging != 0) {
      go(now, MovePlanner.jog(at(now).position(), jog * creep, HELD, limits));
    }
  }

  private void halt(double now) {
    go(now, MovePlanner.halt(at(now), limits));
  }

  private void go(double now, MotionPlan next) {
    plan = next;
    since = now;
  }
}
