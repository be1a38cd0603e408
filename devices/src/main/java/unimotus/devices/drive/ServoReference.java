package unimotus.devices.drive;

/**
 * Where a servo axis is wanted, tick by tick, in counts: along set-points of a cycle, or along
 * ramps of its own. Not thread-safe.
 */
final class ServoReference {
  private final double tick;
  private double position;
  private double velocity;
  private double slope;
  private double remaining;

  ServoReference(double tickSeconds) {
    this.tick = tickSeconds;
  }

  double position() {
    return position;
  }

  double velocity() {
    return velocity;
  }

  /** Where the axis is, and as fast as it is. */
  void startAt(double counts, double countsPerSecond) {
    position = counts;
    velocity = countsPerSecond;
    slope = 0;
    remaining = 0;
  }

  /** A set-point of a cycle: reached in a straight line when the next one is due. */
  void setPoint(double counts, double cycleSeconds) {
    double time = Math.max(tick, cycleSeconds);
    slope = (counts - position) / time;
    remaining = time;
  }

  /** One tick along the set-points; without a new one it stays at the last. */
  void alongSetPoints() {
    if (remaining <= tick / 2) {
      velocity = 0;
      return;
    }
    position += slope * Math.min(tick, remaining);
    velocity = slope;
    remaining -= tick;
  }

  /** One tick towards a speed. */
  void towardsVelocity(double wanted, double acceleration, double deceleration) {
    boolean slower = Math.abs(wanted) < Math.abs(velocity) || wanted * velocity < 0;
    double change = (slower ? deceleration : acceleration) * tick;
    double before = velocity;
    velocity += Math.max(-change, Math.min(change, wanted - velocity));
    position += (before + velocity) / 2 * tick;
  }

  /** One tick towards a place, braking in time: v = √(2·a·s). */
  void towardsPosition(double target, double most, double acceleration, double deceleration) {
    double way = target - position;
    double stops = Math.sqrt(2 * deceleration * Math.abs(way));
    double wanted = Math.signum(way) * Math.min(most, stops);
    boolean there =
        Math.abs(way) <= Math.abs(velocity) * tick + 0.5
            && Math.abs(velocity) <= 2 * deceleration * tick;
    if (there) {
      position = target;
      velocity = 0;
    } else {
      towardsVelocity(wanted, acceleration, deceleration);
    }
  }
}
