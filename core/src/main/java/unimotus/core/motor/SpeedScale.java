package unimotus.core.motor;

import java.util.Optional;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.quantity.Dimension;
import unimotus.core.quantity.MeasureUnit;
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
    FieldFigures field = FieldFigures.of(axis);
    return new SpeedScale(
        settings.number(SettingRole.MAXIMUM_FREQUENCY, field.ratedHertz()), field.poles());
  }

  /** Whether a unit tells a speed: a frequency, a rotation, or a share of the maximum. */
  public static boolean measures(String unit) {
    return find(unit).isPresent();
  }

  /**
   * The frequency of a value.
   *
   * @throws IllegalArgumentException where the unit tells no speed
   */
  public double hertz(double value, String unit) {
    MeasureUnit known = needed(unit);
    return switch (known.dimension()) {
      case RATIO -> known.convert(value, MeasureUnit.PERCENT) / 100 * maximumHertz;
      case ROTATION -> {
        double rpm = known.convert(value, MeasureUnit.RPM);
        yield Math.signum(rpm) * MotorFormulas.frequencyHertz(Math.abs(rpm), poles);
      }
      default -> known.convert(value, MeasureUnit.HERTZ_UNIT);
    };
  }

  /**
   * The value of a frequency in a unit.
   *
   * @throws IllegalArgumentException where the unit tells no speed
   */
  public double value(double hertz, String unit) {
    MeasureUnit known = needed(unit);
    return switch (known.dimension()) {
      case RATIO -> MeasureUnit.PERCENT.convert(100 * hertz / maximumHertz, known);
      case ROTATION ->
          MeasureUnit.RPM.convert(
              Math.signum(hertz) * MotorFormulas.synchronousRpm(Math.abs(hertz), poles), known);
      default -> MeasureUnit.HERTZ_UNIT.convert(hertz, known);
    };
  }

  private static MeasureUnit needed(String unit) {
    return find(unit)
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "unit '%s' tells no speed; Hz, rpm and %% do".formatted(unit)));
  }

  private static Optional<MeasureUnit> find(String unit) {
    return MeasureUnit.ofSymbol(unit.strip())
        .filter(
            u ->
                u == MeasureUnit.PERCENT
                    || u.dimension() == Dimension.FREQUENCY
                    || u.dimension() == Dimension.ROTATION);
  }
}
