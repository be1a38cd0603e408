package unimotus.core.servo;

/**
 * What a servo axis did, at equal times from 0 on. Angles are in radians of the motor.
 *
 * @param period seconds between two values
 * @param wanted set-point of the position
 * @param motor position of the motor
 * @param load position of the load
 * @param velocity of the motor in radians a second
 * @param torque of the motor in newton metres
 */
public record ServoTrace(
    double period,
    double[] wanted,
    double[] motor,
    double[] load,
    double[] velocity,
    double[] torque) {

  /** Values in each line. */
  public int size() {
    return wanted.length;
  }

  /** The set-point less the motor's position. */
  public double followingError(int at) {
    return wanted[at] - motor[at];
  }

  /** The largest following error, not negative. */
  public double largestFollowingError() {
    double most = 0;
    for (int i = 0; i < size(); i++) {
      most = Math.max(most, Math.abs(followingError(i)));
    }
    return most;
  }

  /** The largest torque, not negative. */
  public double largestTorque() {
    double most = 0;
    for (double each : torque) {
      most = Math.max(most, Math.abs(each));
    }
    return most;
  }

  /**
   * Seconds until the load stays within a window about the last set-point; infinity where it does
   * not.
   */
  public double settledAfter(double window) {
    double end = wanted[size() - 1];
    int last = size() - 1;
    while (last >= 0 && Math.abs(load[last] - end) <= window) {
      last--;
    }
    return last == size() - 1 ? Double.POSITIVE_INFINITY : (last + 1) * period;
  }

  /** How far the load went beyond the last set-point, not negative. */
  public double overshoot() {
    double end = wanted[size() - 1];
    double sign = Math.signum(end - wanted[0]);
    double most = 0;
    for (double each : load) {
      most = Math.max(most, sign * (each - end));
    }
    return most;
  }
}
