package unimotus.devices.drive;

import unimotus.core.profile.OperatingMode;

/** Where a servo axis does not go on: limit switches, and position limits that are written. */
final class ServoEnds {
  private final ServoBuild build;

  ServoEnds(ServoBuild build) {
    this.build = build;
  }

  /** Which of the switches act at a place: 1 negative limit, 2 positive limit, 4 home. */
  int acting(double raw) {
    boolean isLimited = build.least() != build.most();
    return build
        .sense()
        .acting(isLimited && raw <= build.least(), isLimited && raw >= build.most(), raw <= 0);
  }

  /**
   * Whether it is kept from going on in a direction. Homing goes over its switches; a position
   * limit acts where it is passed in the modes of velocity, and cuts the target in those of
   * position.
   *
   * @param limits as they are written
   * @param shown the place in counts as shown
   */
  boolean hold(OperatingMode mode, ServoLimits limits, double raw, double shown, int direction) {
    int limit = direction > 0 ? SwitchSense.POSITIVE : SwitchSense.NEGATIVE;
    boolean isSpeed =
        mode == OperatingMode.PROFILE_VELOCITY || mode == OperatingMode.CYCLIC_VELOCITY;
    return mode != OperatingMode.HOMING
        && ((acting(raw) & limit) != 0 || (isSpeed && limits.isReached(shown, direction)));
  }
}
