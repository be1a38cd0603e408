package unimotus.core.path;

import java.util.Optional;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.motion.ShaftLoad;
import unimotus.core.motor.MotorFormulas;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.OutputQuantity;
import unimotus.core.sheet.SettingRole;

/**
 * What an analog output of the drive is set to show of an induction motor, from the value at the
 * low end of its range to the one at full scale. Current is an estimate from load torque and plate
 * ({@link MotorFormulas#currentEstimateAmperes}).
 *
 * @param quantity what it shows
 * @param low value shown by the low end, in {@link #unit}
 * @param full value shown by full scale, in {@link #unit}; not the same
 * @param motor the motor that turns
 * @param plate its plate
 * @param load what it moves
 */
public record ShownQuantity(
    OutputQuantity quantity,
    double low,
    double full,
    MotorLink motor,
    InductionPlate plate,
    ShaftLoad load) {
  private static final double HUNDRED = 100;

  /** Checks that the ends differ. */
  public ShownQuantity {
    if (low == full) {
      throw new IllegalArgumentException(
          "an analog output that shows %s at both ends shows nothing".formatted(low));
    }
  }

  /**
   * What an output is set to show; empty where it shows nothing: so set, with a word nobody knows,
   * or with both ends alike.
   */
  public static Optional<ShownQuantity> of(AxisAssembly axis, String output, MotorLink motor) {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    String word =
        settings.choice(SettingRole.ANSWER_MEANING, output, OutputQuantity.FREQUENCY.word());
    // Neither a word for nothing nor one that nobody knows is taken for the frequency.
    return OutputQuantity.of(word).flatMap(q -> of(axis, settings, output, q, motor));
  }

  private static Optional<ShownQuantity> of(
      AxisAssembly axis,
      EffectiveSettings settings,
      String output,
      OutputQuantity quantity,
      MotorLink motor) {
    double full = full(axis, settings, output, quantity, motor);
    double low = settings.number(SettingRole.ANSWER_LOW, output, 0) / HUNDRED * full;
    return low == full
        ? Optional.empty()
        : Optional.of(
            new ShownQuantity(
                quantity, low, full, motor, axis.inductionPlate(), ShaftLoad.of(axis)));
  }

  private static double full(
      AxisAssembly axis,
      EffectiveSettings settings,
      String output,
      OutputQuantity quantity,
      MotorLink motor) {
    InductionPlate plate = axis.inductionPlate();
    double hertz =
        settings.number(
            SettingRole.ANSWER_FULL_SCALE,
            output,
            settings.number(SettingRole.MAXIMUM_FREQUENCY, plate.frequencyHertz()));
    double share = settings.number(SettingRole.ANSWER_FULL_SHARE, output, HUNDRED) / HUNDRED;
    return switch (quantity) {
      case FREQUENCY -> hertz;
      case SPEED -> MotorFormulas.synchronousRpm(hertz, MotorFormulas.poles(plate));
      case CURRENT -> share * axis.driveSheet().ratings().currentAmperes();
      case TORQUE, LOAD -> share * MotorFormulas.ratedTorqueNewtonMetres(plate);
      case POWER -> share * plate.powerWatts();
    };
  }

  /** The unit of what it shows. */
  public MeasureUnit unit() {
    return switch (quantity) {
      case FREQUENCY -> MeasureUnit.HERTZ_UNIT;
      case SPEED -> MeasureUnit.RPM;
      case CURRENT -> MeasureUnit.AMPERE_UNIT;
      case TORQUE, LOAD -> MeasureUnit.NEWTON_METRE;
      case POWER -> MeasureUnit.WATT_UNIT;
    };
  }

  /** What there is to show while the motor turns at an output frequency, steadily. */
  public double value(double hertz) {
    double rpm = Math.abs(motor.shaftRpm(hertz));
    double torque = Math.abs(load.torqueNewtonMetres(rpm));
    return switch (quantity) {
      case FREQUENCY -> Math.abs(hertz);
      case SPEED -> rpm;
      case CURRENT ->
          MotorFormulas.currentEstimateAmperes(
              plate, torque / MotorFormulas.ratedTorqueNewtonMetres(plate));
      case TORQUE, LOAD -> torque;
      case POWER -> MotorFormulas.powerWatts(torque, rpm);
    };
  }

  /** What there is to show while the motor gives what its plate says. */
  public double rated() {
    return switch (quantity) {
      case FREQUENCY -> plate.frequencyHertz();
      case SPEED -> plate.speedRpm();
      case CURRENT -> plate.currentAmperes();
      case TORQUE, LOAD -> MotorFormulas.ratedTorqueNewtonMetres(plate);
      case POWER -> plate.powerWatts();
    };
  }

  /** Percent of the output's range that shows a value, held within the range. */
  public double percent(double value) {
    return Numbers.clamp((value - low) / (full - low) * HUNDRED, 0, HUNDRED);
  }

  /** The value that a percent of the output's range shows. */
  public double valueAt(double percent) {
    return low + percent / HUNDRED * (full - low);
  }

  /** Whether more of the value than full scale is there to show. */
  public boolean isBeyond(double value) {
    return (value - full) * Math.signum(full - low) > 1e-9 * Math.abs(full);
  }
}
