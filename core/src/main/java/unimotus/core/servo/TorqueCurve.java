package unimotus.core.servo;

import java.util.OptionalDouble;
import unimotus.core.sheet.ServoPlate;

/**
 * Torque a servo motor gives over its speed, from its plate: nothing is said over the speeds and
 * torques that the plate states.
 *
 * @param stallNewtonMetres continuous at standstill
 * @param ratedNewtonMetres continuous at rated speed
 * @param ratedRpm rated speed
 * @param peakNewtonMetres for a short time; 0 where not stated
 * @param mostRpm highest speed; the rated one where not stated
 */
public record TorqueCurve(
    double stallNewtonMetres,
    double ratedNewtonMetres,
    double ratedRpm,
    double peakNewtonMetres,
    double mostRpm) {

  /** The curve of a plate. */
  public static TorqueCurve of(ServoPlate plate) {
    return new TorqueCurve(
        plate.stallNewtonMetres(),
        plate.ratedNewtonMetres(),
        plate.ratedRpm(),
        plate.peakNewtonMetres(),
        Math.max(plate.mostRpm(), plate.ratedRpm()));
  }

  /**
   * Continuous torque at a speed, on the straight line from standstill to rated speed.
   *
   * @return empty over rated speed, where the plate says nothing
   */
  public OptionalDouble continuous(double rpm) {
    double n = Math.abs(rpm);
    return n > ratedRpm
        ? OptionalDouble.empty()
        : OptionalDouble.of(
            stallNewtonMetres + (ratedNewtonMetres - stallNewtonMetres) * n / ratedRpm);
  }

  /** Torque for a short time, up to rated speed; empty where the plate says nothing. */
  public OptionalDouble peak(double rpm) {
    return peakNewtonMetres == 0 || Math.abs(rpm) > ratedRpm
        ? OptionalDouble.empty()
        : OptionalDouble.of(peakNewtonMetres);
  }
}
