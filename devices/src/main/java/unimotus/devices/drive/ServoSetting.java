package unimotus.devices.drive;

/**
 * What a servo axis is told besides its words; counts are those its position is shown in.
 *
 * @param targetPosition counts
 * @param targetVelocity counts a second
 * @param profileVelocity counts a second, over 0
 * @param acceleration counts a second squared, over 0, of its ramps
 * @param followingWindow counts of following error at which it faults; 0xFFFFFFFF for never
 * @param cycleSeconds interpolation time of the set-points
 * @param homingMethod number of the way to find home
 * @param homeOffset counts shown at home
 * @param velocityOffset counts a second added to the speed its velocity loop is asked for
 * @param limits what it keeps to by itself
 */
public record ServoSetting(
    double targetPosition,
    double targetVelocity,
    double profileVelocity,
    double acceleration,
    double followingWindow,
    double cycleSeconds,
    int homingMethod,
    double homeOffset,
    double velocityOffset,
    ServoLimits limits) {
  /** Nothing added, and no limits. */
  public ServoSetting(
      double targetPosition,
      double targetVelocity,
      double profileVelocity,
      double acceleration,
      double followingWindow,
      double cycleSeconds,
      int homingMethod,
      double homeOffset) {
    this(
        targetPosition,
        targetVelocity,
        profileVelocity,
        acceleration,
        followingWindow,
        cycleSeconds,
        homingMethod,
        homeOffset,
        0,
        ServoLimits.NONE);
  }
}
