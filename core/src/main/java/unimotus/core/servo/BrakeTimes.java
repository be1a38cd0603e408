package unimotus.core.servo;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;

/**
 * A holding brake: it is opened by current and closed by its springs.
 *
 * @param holdNewtonMetres torque it holds at the motor shaft, over 0
 * @param openSeconds until it lets go
 * @param closeSeconds until it holds
 */
@RecordBuilder
public record BrakeTimes(double holdNewtonMetres, double openSeconds, double closeSeconds)
    implements BrakeTimesBuilder.With {
  private static final double GRAVITY = 9.806_65;

  /** Checks the numbers. */
  public BrakeTimes {
    if (!(holdNewtonMetres > 0 && openSeconds >= 0 && closeSeconds >= 0)) {
      throw new IllegalArgumentException(
          "brake: torque must be over 0 and times not negative, but are %s, %s s, %s s"
              .formatted(holdNewtonMetres, openSeconds, closeSeconds));
    }
  }

  /** One thing after the other when an axis with a brake is switched on or off. */
  public record Moment(double seconds, String what) {}

  /** Switching on: torque first, then the brake, then the move. */
  public List<Moment> switchingOn(double torqueSeconds) {
    return List.of(
        new Moment(0, "operation enabled: torque builds up against the closed brake"),
        new Moment(torqueSeconds, "torque is there: the brake is opened"),
        new Moment(torqueSeconds + openSeconds, "the brake is open: the move may begin"));
  }

  /** Switching off: the brake first, then the torque. */
  public List<Moment> switchingOff() {
    return List.of(
        new Moment(0, "standstill: the brake is closed, the torque holds on"),
        new Moment(closeSeconds, "the brake holds: the torque goes"));
  }

  /**
   * How fast a suspended load is when the brake holds, if the torque goes at the very moment the
   * brake is told to close: ω = T/J·t.
   *
   * @return radians a second of the motor, not negative
   */
  public double fallSpeed(ServoLoad load) {
    return pull(load) / load.inertiaKgM2() * closeSeconds;
  }

  /** How far it falls by then, ½·T/J·t², in radians of the motor. */
  public double fall(ServoLoad load) {
    return fallSpeed(load) * closeSeconds / 2;
  }

  /**
   * Torque with which a suspended load speeds up downwards, not negative: dry friction helps, and
   * the gear's losses do.
   */
  public double pull(ServoLoad load) {
    double weight = Math.abs(load.weightNewtonMetres()) * load.efficiency();
    return Math.max(0, weight - load.frictionNewtonMetres());
  }

  /** The torque it holds for one that the load pulls with; infinite for a level axis. */
  public double safety(ServoLoad load) {
    return holdNewtonMetres / Math.abs(load.weightNewtonMetres());
  }

  /**
   * Torque of a suspended mass at the motor shaft, m·g·s/(2π) with s the travel a turn of the
   * motor, in newton metres.
   */
  public static double weightTorque(double kilograms, double metresPerMotorTurn) {
    return kilograms * GRAVITY * metresPerMotorTurn / (2 * Math.PI);
  }
}
