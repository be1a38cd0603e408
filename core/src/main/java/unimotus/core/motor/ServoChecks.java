package unimotus.core.motor;

import java.util.List;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.sheet.SettingRole;

/** A servo plate against itself, and against what was typed into the drive. */
final class ServoChecks {
  private ServoChecks() {}

  static void check(AxisAssembly axis, ServoPlate servo, List<Finding> found) {
    if (!servo.constantsAgree()) {
      found.add(
          contradiction(
              axis,
              "torque constant is %s N·m/A, the back voltage tells %s"
                  .formatted(
                      number(servo.torqueNewtonMetresPerAmpere()),
                      number(servo.torqueConstantFromBackVolts()))));
    }
    if (!servo.stallAgrees()) {
      found.add(
          contradiction(
              axis,
              "%s A times %s N·m/A are not the stall torque of %s N·m"
                  .formatted(
                      number(servo.stallAmperes()),
                      number(servo.torqueNewtonMetresPerAmpere()),
                      number(servo.stallNewtonMetres()))));
    }
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    MotorChecks.checkCopy(
        axis, settings, SettingRole.MOTOR_SPEED, servo.ratedRpm(), MeasureUnit.RPM, found);
    MotorChecks.checkCopy(
        axis,
        settings,
        SettingRole.MOTOR_CURRENT,
        servo.stallAmperes(),
        MeasureUnit.AMPERE_UNIT,
        found);
    double drive = axis.driveSheet().ratings().currentAmperes();
    if (drive < servo.stallAmperes()) {
      found.add(
          new Finding(
              Severity.ERROR,
              Rule.DRIVE_CURRENT,
              "axis/%s/drive".formatted(axis.axis().id()),
              "drive gives %s A, the motor's plate asks for %s A at standstill"
                  .formatted(number(drive), number(servo.stallAmperes())),
              "The drive will limit or trip before the motor reaches its rated torque.",
              "Choose a larger drive, or show that the axis never needs rated torque."));
    }
  }

  private static Finding contradiction(AxisAssembly axis, String seen) {
    return new Finding(
        Severity.ERROR,
        Rule.SERVO_PLATE,
        "axis/%s/motor".formatted(axis.axis().id()),
        seen,
        "Current limits and torque displays are built on these numbers.",
        "Read the plate again: r.m.s. or peak, between lines or to the star point.");
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(Math.round(1000 * value) / 1000.0);
  }
}
