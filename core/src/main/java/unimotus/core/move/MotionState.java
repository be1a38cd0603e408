package unimotus.core.move;

/**
 * Where a move is at one moment, in the unit of the axis.
 *
 * @param position units
 * @param velocity units a second
 * @param acceleration units a second squared
 * @param jerk units a second cubed, that of the phase which begins here
 */
public record MotionState(double position, double velocity, double acceleration, double jerk) {

  /** At rest. */
  public static MotionState rest(double position) {
    return new MotionState(position, 0, 0, 0);
  }

  /** Where it is after {@code seconds} with the same jerk: the integral taken three times. */
  public MotionState after(double seconds) {
    double t = seconds;
    return new MotionState(
        position + t * (velocity + t * (acceleration / 2 + t * jerk / 6)),
        velocity + t * (acceleration + t * jerk / 2),
        acceleration + t * jerk,
        jerk);
  }
}
