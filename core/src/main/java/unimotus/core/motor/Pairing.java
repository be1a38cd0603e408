package unimotus.core.motor;

import java.util.Optional;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.sheet.DriveKind;
import unimotus.core.sheet.MotorKind;

/** Whether a drive runs a motor, by what its sheet says. */
public final class Pairing {
  private Pairing() {}

  /** Why the drive of an axis does not run its motor, in words; empty where it does. */
  public static Optional<String> fault(AxisAssembly axis) {
    DriveKind drive = axis.driveSheet().driveKind();
    MotorKind motor = axis.motor().plate().kind();
    return drive.runs(motor)
        ? Optional.empty()
        : Optional.of(
            "%s is a %s, %s runs %s"
                .formatted(
                    axis.motor().name(), motor.label(), axis.driveSheet().name(), drive.motors()));
  }
}
