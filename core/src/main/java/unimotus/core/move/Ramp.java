package unimotus.core.move;

/**
 * Speeding up from rest, or the same backwards: time and way for a speed, both growing with it.
 *
 * <p>Without a limit of the jerk t = v/a. With one the acceleration rises and falls with the jerk:
 * t = v/a + a/j where v ≥ a²/j, else t = 2·√(v/j) and the acceleration reaches √(v·j) only. The way
 * is v·t/2 either way, as the ramp is symmetrical about its middle.
 *
 * @param acceleration units a second squared
 * @param jerk units a second cubed; 0 for no limit
 */
record Ramp(double acceleration, double jerk) {

  double seconds(double velocity) {
    if (jerk == 0) {
      return velocity / acceleration;
    }
    return reaches(velocity)
        ? velocity / acceleration + acceleration / jerk
        : 2 * Math.sqrt(velocity / jerk);
  }

  double distance(double velocity) {
    return velocity * seconds(velocity) / 2;
  }

  /** The speed that takes so long to reach. */
  double velocityAfter(double seconds) {
    if (jerk == 0) {
      return acceleration * seconds;
    }
    return seconds >= 2 * acceleration / jerk
        ? acceleration * (seconds - acceleration / jerk)
        : jerk * seconds * seconds / 4;
  }

  /** How long the jerk acts at either end; 0 where it is not limited. */
  double jerkSeconds(double velocity) {
    if (jerk == 0) {
      return 0;
    }
    return reaches(velocity) ? acceleration / jerk : Math.sqrt(velocity / jerk);
  }

  /** The acceleration that is reached. */
  double peakAcceleration(double velocity) {
    return jerk == 0 ? acceleration : jerk * jerkSeconds(velocity);
  }

  private boolean reaches(double velocity) {
    return velocity * jerk >= acceleration * acceleration;
  }
}
