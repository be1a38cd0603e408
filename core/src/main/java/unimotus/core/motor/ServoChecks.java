package unimotus.core.motor;

import java.util.List;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.ServoPlate;

/** A servo plate against itself, and against the drive it is joined to. */
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
    found.add(
        new Finding(
            Severity.ERROR,
            Rule.SERVO_ON_DRIVE,
            "axis/%s/drive".formatted(axis.axis().id()),
            "%s is a permanent-magnet motor, %s runs induction motors"
                .formatted(axis.motor().name(), axis.driveSheet().name()),
            "Without its feedback such a motor does not turn as told, and may be damaged.",
            "Choose a servo drive, or an induction motor."));
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
