package unimotus.core.motor;

import java.util.Locale;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.sheet.SettingRole;

/**
 * Frequencies as registers tell them: in hertz, in percent of the drive's maximum frequency, or as
 * the synchronous speed in rpm.
 *
 * @param maximumHertz what is 100 %
 * @param poles poles of the motor
 */
public record SpeedScale(double maximumHertz, int poles) {

  /**
   * What the drive of an axis means; its maximum is the rated frequency where it has no setting.
   */
  public static SpeedScale of(AxisAssembly axis) {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    return new SpeedScale(
        settings.number(SettingRole.MAXIMUM_FREQUENCY, axis.motor().plate().frequencyHertz()),
        MotorFormulas.poles(axis.motor().plate()));
  }

  /** The frequency of a value; a unit that is none of these is taken for hertz. */
  public double hertz(double value, String unit) {
    return switch (plain(unit)) {
      case "%" -> value / 100 * maximumHertz;
      case "rpm", "1/min", "min-1" ->
          Math.signum(value) * MotorFormulas.frequencyHertz(Math.abs(value), poles);
      default -> value;
    };
  }

  /** The value of a frequency in a unit; one that is none of these is taken for hertz. */
  public double value(double hertz, String unit) {
    return switch (plain(unit)) {
      case "%" -> 100 * hertz / maximumHertz;
      case "rpm", "1/min", "min-1" ->
          Math.signum(hertz) * MotorFormulas.synchronousRpm(Math.abs(hertz), poles);
      default -> hertz;
    };
  }

  private static String plain(String unit) {
    return unit.strip().toLowerCase(Locale.ROOT);
  }
}
