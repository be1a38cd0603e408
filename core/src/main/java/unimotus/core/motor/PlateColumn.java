package unimotus.core.motor;

import org.jspecify.annotations.Nullable;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.InductionPlate;

/**
 * One column of a motor plate.
 *
 * @param connection how the windings are joined; null where the plate has one voltage only
 * @param plate its numbers
 */
public record PlateColumn(@Nullable Connection connection, InductionPlate plate) {

  /** The column in a few words, such as {@code 400 V Y, 50 Hz, 8.05 A}. */
  public String label() {
    String volts = QuantityFormat.PLAIN.text(plate.voltageVolts(), MeasureUnit.VOLT_UNIT);
    return "%s%s, %s, %s"
        .formatted(
            volts,
            connection == null ? "" : " " + connection.sign(),
            QuantityFormat.PLAIN.text(plate.frequencyHertz(), MeasureUnit.HERTZ_UNIT),
            QuantityFormat.PLAIN.text(plate.currentAmperes(), MeasureUnit.AMPERE_UNIT));
  }

  /**
   * The motor in delta on √3 times its delta voltage and frequency, as on a drive for the star
   * voltage: the flux stays, power and speed go up by √3 (common practice; 87 Hz from 50 Hz).
   *
   * @throws IllegalArgumentException where this is not the delta column
   */
  public InductionPlate raised() {
    if (connection != Connection.DELTA) {
      throw new IllegalArgumentException("only the delta column of a plate can be raised by √3");
    }
    double factor = Math.sqrt(3);
    double slip = MotorFormulas.ratedSlipRpm(plate);
    double hertz = plate.frequencyHertz() * factor;
    double speed = MotorFormulas.synchronousRpm(hertz, MotorFormulas.poles(plate)) - slip;
    return plate
        .withVoltage(plate.voltageVolts() * factor)
        .withFrequency(hertz)
        .withSpeed(speed)
        .withPower(MotorFormulas.powerWatts(MotorFormulas.ratedTorqueNewtonMetres(plate), speed));
  }
}
