package unimotus.devices.drive;

import org.jspecify.annotations.Nullable;
import unimotus.core.servo.BrakeTimes;
import unimotus.core.servo.ServoSetup;

/**
 * What the axis is built of.
 *
 * @param setup motor, load and loops
 * @param brake its holding brake; null for none
 * @param countsPerTurn counts shown for a turn of the motor
 * @param least counts at which the negative limit switch acts; equal to {@code most} for none
 * @param most counts at which the positive one does
 * @param start counts where it stands when it is switched on
 * @param profileVelocity counts a second of its own ramps until another is written
 * @param acceleration counts a second squared of its own ramps
 * @param sense what it takes of its switches
 * @param ratedNewtonMetres torque of the motor that its torque limit is a share of
 */
public record ServoBuild(
    ServoSetup setup,
    @Nullable BrakeTimes brake,
    double countsPerTurn,
    double least,
    double most,
    double start,
    double profileVelocity,
    double acceleration,
    SwitchSense sense,
    double ratedNewtonMetres) {
  /** An axis whose limit switches are wired as they are meant, without a home switch. */
  public ServoBuild(
      ServoSetup setup,
      @Nullable BrakeTimes brake,
      double countsPerTurn,
      double least,
      double most,
      double start,
      double profileVelocity,
      double acceleration) {
    this(
        setup,
        brake,
        countsPerTurn,
        least,
        most,
        start,
        profileVelocity,
        acceleration,
        SwitchSense.LIMITS,
        setup.mostNewtonMetres());
  }

  double radians(double counts) {
    return counts / countsPerTurn * 2 * Math.PI;
  }
}
