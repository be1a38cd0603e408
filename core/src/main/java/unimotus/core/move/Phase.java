package unimotus.core.move;

/**
 * A part of a move with one jerk.
 *
 * @param seconds how long it lasts, over 0
 * @param start how it begins
 */
public record Phase(double seconds, MotionState start) {

  /** How it ends; the next phase may begin with another acceleration. */
  public MotionState end() {
    return start.after(seconds);
  }

  /** The largest speed in it, not negative, in units a second. */
  public double peakVelocity() {
    double most = Math.max(Math.abs(start.velocity()), Math.abs(end().velocity()));
    double turning = start.jerk() == 0 ? 0 : -start.acceleration() / start.jerk();
    return turning > 0 && turning < seconds
        ? Math.max(most, Math.abs(start.after(turning).velocity()))
        : most;
  }

  /** The largest acceleration in it, not negative, in units a second squared. */
  public double peakAcceleration() {
    return Math.max(Math.abs(start.acceleration()), Math.abs(end().acceleration()));
  }
}
