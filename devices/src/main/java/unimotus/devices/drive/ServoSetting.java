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
 */
public record ServoSetting(
    double targetPosition,
    double targetVelocity,
    double profileVelocity,
    double acceleration,
    double followingWindow,
    double cycleSeconds,
    int homingMethod,
    double homeOffset) {}
