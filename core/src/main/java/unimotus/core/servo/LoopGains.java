package unimotus.core.servo;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * Gains of position and velocity loop.
 *
 * @param position Kv: radians a second for one radian of following error, in 1/s
 * @param velocity torque for one radian a second of velocity error, in N·m·s
 * @param integralSeconds integral time of the velocity loop; 0 for none
 * @param feedForward part of the planned velocity that is given ahead, 0 to 1
 */
@RecordBuilder
public record LoopGains(
    double position, double velocity, double integralSeconds, double feedForward)
    implements LoopGainsBuilder.With {

  /** Checks the numbers. */
  public LoopGains {
    positive("position gain", position);
    positive("velocity gain", velocity);
    if (!(integralSeconds >= 0 && integralSeconds < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException(
          "gains: integral time must be over 0, or 0 for none, not " + integralSeconds);
    }
    if (!(feedForward >= 0 && feedForward <= 1)) {
      throw new IllegalArgumentException(
          "gains: velocity feed-forward must be 0 to 1, not " + feedForward);
    }
  }

  private static void positive(String what, double value) {
    if (!(value > 0 && value < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException("gains: %s must be over 0, not %s".formatted(what, value));
    }
  }

  /**
   * Following error at constant speed, v·(1 − feed-forward)/Kv, in the unit of the speed's length.
   */
  public double followingError(double unitsPerSecond) {
    return unitsPerSecond * (1 - feedForward) / position;
  }
}
