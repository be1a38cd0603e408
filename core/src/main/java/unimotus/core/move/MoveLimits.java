package unimotus.core.move;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * What a move may not exceed, in the unit of the axis.
 *
 * @param velocity units a second
 * @param acceleration units a second squared
 * @param deceleration units a second squared, as a positive number
 * @param jerk units a second cubed, the same for speeding up and slowing down; 0 for no limit
 */
@RecordBuilder
public record MoveLimits(double velocity, double acceleration, double deceleration, double jerk)
    implements MoveLimitsBuilder.With {

  /** Checks the numbers. */
  public MoveLimits {
    positive("velocity", velocity);
    positive("acceleration", acceleration);
    positive("deceleration", deceleration);
    if (!(jerk >= 0 && jerk < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException(
          "move: jerk must be over 0, or 0 for no limit, not " + jerk);
    }
  }

  /** Limits of a trapezoid with equal ramps. */
  public static MoveLimits of(double velocity, double acceleration) {
    return new MoveLimits(velocity, acceleration, acceleration, 0);
  }

  /** Whether the acceleration may jump. */
  public boolean jumps() {
    return jerk == 0;
  }

  private static void positive(String what, double value) {
    if (!(value > 0 && value < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException("move: %s must be over 0, not %s".formatted(what, value));
    }
  }
}
