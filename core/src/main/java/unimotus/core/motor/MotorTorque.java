package unimotus.core.motor;

import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.sheet.SettingRole;

/**
 * The torque a motor gives on its drive, motoring or braking: the one place for it. Dry-run,
 * stopping times, ramp checks and derived ramps all ask here.
 *
 * <p>Up to the plate's frequency f_n the flux is constant: the current limit allows a constant
 * torque, the motor pulls out at a constant one. Above, the flux falls as f_n/f: the torque of the
 * current limit with it, the pull-out torque and the slope of torque over slip as (f_n/f)²
 * (textbooks of electrical drives, from memory; the magnetising current is taken as constant).
 *
 * @param nominalRadiansPerSecond speed of the field at the plate's frequency
 * @param stiffness rated torque over rated slip, in newton metres a radian per second
 * @param limitNewtonMetres torque at the current limit, with the full flux
 * @param pullOutNewtonMetres torque at which the motor pulls out, with the full flux
 */
public record MotorTorque(
    double nominalRadiansPerSecond,
    double stiffness,
    double limitNewtonMetres,
    double pullOutNewtonMetres) {
  /** Torque an induction motor gives before it pulls out, over rated (common practice). */
  private static final double PULL_OUT_RATIO = 2.5;

  /** A controlled servo lags no more than this at rated torque (common practice). */
  private static final double CLOSELY_RPM = 1;

  private static final double RADIANS_PER_SECOND_PER_RPM = 2 * Math.PI / 60;

  /** The motor of an axis at the current limit of its drive as it is set. */
  public static MotorTorque of(AxisAssembly axis) {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    double limit =
        settings.number(SettingRole.CURRENT_LIMIT, axis.driveSheet().ratings().currentAmperes());
    if (axis.motor().plate() instanceof ServoPlate servo) {
      return ofServo(servo, limit);
    }
    return atCurrent(axis.inductionPlate(), limit);
  }

  /**
   * A permanent-magnet motor whose speed is controlled: k_T·I up to the limit of the current, held
   * so closely that it follows its field. Above its rated speed it gives less, as the voltage runs
   * out; what it bears for a short time is the drive's limit.
   */
  public static MotorTorque ofServo(ServoPlate plate, double limitAmperes) {
    double limit = plate.torqueNewtonMetresPerAmpere() * limitAmperes;
    return new MotorTorque(
        plate.ratedRpm() * RADIANS_PER_SECOND_PER_RPM,
        plate.ratedNewtonMetres() / (CLOSELY_RPM * RADIANS_PER_SECOND_PER_RPM),
        limit,
        limit);
  }

  /** A motor whose current is limited. */
  public static MotorTorque atCurrent(InductionPlate plate, double limitAmperes) {
    double rated = MotorFormulas.ratedTorqueNewtonMetres(plate);
    return atTorque(plate, rated * MotorFormulas.torqueRatioAt(plate, limitAmperes));
  }

  /** A motor whose torque is limited. */
  public static MotorTorque atTorque(InductionPlate plate, double limitNewtonMetres) {
    double rated = MotorFormulas.ratedTorqueNewtonMetres(plate);
    double synchronous =
        MotorFormulas.synchronousRpm(plate.frequencyHertz(), MotorFormulas.poles(plate));
    return new MotorTorque(
        synchronous * RADIANS_PER_SECOND_PER_RPM,
        rated / (MotorFormulas.ratedSlipRpm(plate) * RADIANS_PER_SECOND_PER_RPM),
        limitNewtonMetres,
        PULL_OUT_RATIO * rated);
  }

  /** The most torque with the full flux, in newton metres. */
  public double most() {
    return Math.min(limitNewtonMetres, pullOutNewtonMetres);
  }

  /** The most torque with the field at a speed, in newton metres. */
  public double mostAt(double fieldRadiansPerSecond) {
    double flux = flux(fieldRadiansPerSecond);
    return Math.min(limitNewtonMetres * flux, pullOutNewtonMetres * flux * flux);
  }

  /** Torque over slip with the field at a speed, in newton metres a radian per second. */
  public double stiffnessAt(double fieldRadiansPerSecond) {
    double flux = flux(fieldRadiansPerSecond);
    return stiffness * flux * flux;
  }

  /** The most torque with the field at a speed in revolutions a minute, in newton metres. */
  public double mostAtRpm(double fieldRpm) {
    return mostAt(fieldRpm * RADIANS_PER_SECOND_PER_RPM);
  }

  private double flux(double field) {
    double size = Math.abs(field);
    return size <= nominalRadiansPerSecond ? 1 : nominalRadiansPerSecond / size;
  }
}
