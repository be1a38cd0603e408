package unimotus.core.motor;

import static unimotus.core.quantity.MeasureUnit.AMPERE_UNIT;
import static unimotus.core.quantity.MeasureUnit.HERTZ_UNIT;
import static unimotus.core.quantity.MeasureUnit.RPM;
import static unimotus.core.quantity.MeasureUnit.VOLT_UNIT;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.MotorPlate;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.sheet.SettingRole;

/** Doubts about the plate, and about the copy of it that was typed into the drive. */
public final class MotorChecks {
  /** Small motors of few poles have as little as this and still meet their class. */
  private static final double LEAST_EFFICIENCY_SMALL = 0.25;

  private static final double SMALL_WATTS = 750;

  private static final double LEAST_EFFICIENCY = 0.6;

  /** A copy that differs by more than this is another number, not a rounding of the same. */
  private static final double SAME = 0.005;

  private static final double MOST_SLIP = 0.14;

  private MotorChecks() {}

  /** Findings of one axis; possibly empty. */
  public static List<Finding> check(AxisAssembly axis) {
    List<Finding> found = new ArrayList<>();
    Pairing.fault(axis).ifPresent(fault -> found.add(pair(axis, fault)));
    MotorPlate plate = axis.motor().plate();
    if (plate instanceof InductionPlate induction) {
      checkInduction(axis, induction, found);
    } else if (plate instanceof ServoPlate servo) {
      ServoChecks.check(axis, servo, found);
    }
    return found;
  }

  private static Finding pair(AxisAssembly axis, String fault) {
    return new Finding(
        Severity.ERROR,
        Rule.MOTOR_ON_DRIVE,
        "axis/%s/drive".formatted(axis.axis().id()),
        fault,
        "Such a motor does not turn as commanded on this drive, and motor or drive may be damaged.",
        "Choose a drive whose sheet names this kind of motor, or another motor.");
  }

  private static void checkInduction(AxisAssembly axis, InductionPlate plate, List<Finding> found) {
    PlateDoubts.checkVoltage(axis, plate, found);
    checkPlate(axis, plate, found);
    PlateDoubts.check(axis, plate, found);
    checkDriveCurrent(axis, plate, found);
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    checkPoles(axis, plate, settings, found);
    checkOverload(axis, plate, settings, found);
    if (plate.speedRpm() < MotorFormulas.synchronousRpm(plate.frequencyHertz(), 2)) {
      CurrentLimitChecks.check(axis, plate, found);
    }
    checkCopy(
        axis, settings, SettingRole.MOTOR_CURRENT, plate.currentAmperes(), AMPERE_UNIT, found);
    checkCopy(axis, settings, SettingRole.MOTOR_VOLTAGE, plate.voltageVolts(), VOLT_UNIT, found);
    checkCopy(
        axis, settings, SettingRole.MOTOR_FREQUENCY, plate.frequencyHertz(), HERTZ_UNIT, found);
    checkCopy(axis, settings, SettingRole.MOTOR_SPEED, plate.speedRpm(), RPM, found);
  }

  private static void checkPlate(AxisAssembly axis, InductionPlate plate, List<Finding> found) {
    double efficiency = MotorFormulas.efficiency(plate);
    double least = plate.powerWatts() < SMALL_WATTS ? LEAST_EFFICIENCY_SMALL : LEAST_EFFICIENCY;
    if (efficiency > 1 || efficiency < least) {
      found.add(
          plateFinding(
              axis,
              "efficiency from the plate is %s, P/(√3·U·I·cos φ)"
                  .formatted(text(efficiency * 100, MeasureUnit.PERCENT)),
              "No motor gives out more than it takes, nor so little of it at full load."));
    }
    double fastest = MotorFormulas.synchronousRpm(plate.frequencyHertz(), 2);
    if (plate.speedRpm() >= fastest) {
      found.add(
          plateFinding(
              axis,
              "%s on %s is at or above two-pole synchronous speed %s"
                  .formatted(
                      text(plate.speedRpm(), RPM),
                      text(plate.frequencyHertz(), HERTZ_UNIT),
                      text(fastest, RPM)),
              "An induction motor turns below synchronous speed."));
      return;
    }
    double slip =
        MotorFormulas.ratedSlipRpm(plate) / (MotorFormulas.ratedSlipRpm(plate) + plate.speedRpm());
    if (slip > MOST_SLIP || slip <= 0) {
      found.add(
          plateFinding(
              axis,
              "rated slip is %s".formatted(text(slip * 100, MeasureUnit.PERCENT)),
              "Standard motors slip between nothing and about 14 %; a wrong speed or frequency was typed."));
    }
  }

  private static Finding plateFinding(AxisAssembly axis, String seen, String why) {
    return new Finding(
        Severity.ERROR,
        Rule.PLATE_PLAUSIBLE,
        "axis/%s/motor".formatted(axis.axis().id()),
        seen,
        why,
        "Read the plate again, in the column of the connection in use.");
  }

  private static void checkDriveCurrent(
      AxisAssembly axis, InductionPlate plate, List<Finding> found) {
    double drive = axis.driveSheet().ratings().currentAmperes();
    if (drive < plate.currentAmperes()) {
      found.add(
          new Finding(
              Severity.ERROR,
              Rule.DRIVE_CURRENT,
              "axis/%s/drive".formatted(axis.axis().id()),
              "drive gives %s, the motor's plate asks for %s"
                  .formatted(text(drive, AMPERE_UNIT), text(plate.currentAmperes(), AMPERE_UNIT)),
              "The drive will limit or trip before the motor reaches its rated torque.",
              "Choose a larger drive, or show that the axis never needs rated torque."));
    }
  }

  private static void checkPoles(
      AxisAssembly axis, InductionPlate plate, EffectiveSettings settings, List<Finding> found) {
    if (plate.speedRpm() >= MotorFormulas.synchronousRpm(plate.frequencyHertz(), 2)) {
      return;
    }
    int poles = MotorFormulas.poles(plate);
    double set = settings.number(SettingRole.MOTOR_POLES, poles);
    if (set != poles) {
      found.add(
          new Finding(
              Severity.ERROR,
              Rule.POLE_COUNT,
              place(axis, SettingRole.MOTOR_POLES),
              "drive is set to %s poles; %s at %s is a %d-pole motor"
                  .formatted(
                      QuantityFormat.PLAIN.number(set),
                      text(plate.speedRpm(), RPM),
                      text(plate.frequencyHertz(), HERTZ_UNIT),
                      poles),
              "Every speed in rpm that the drive shows or takes is wrong by the ratio of the pole counts.",
              "Set the pole count to %d.".formatted(poles)));
    }
  }

  private static void checkOverload(
      AxisAssembly axis, InductionPlate plate, EffectiveSettings settings, List<Finding> found) {
    double set = settings.number(SettingRole.OVERLOAD_CURRENT, plate.currentAmperes());
    if (Math.abs(set - plate.currentAmperes()) > SAME * plate.currentAmperes()) {
      found.add(
          new Finding(
              set > plate.currentAmperes() ? Severity.ERROR : Severity.WARNING,
              Rule.OVERLOAD_SETTING,
              place(axis, SettingRole.OVERLOAD_CURRENT),
              "electronic overload is %s, the plate says %s"
                  .formatted(text(set, AMPERE_UNIT), text(plate.currentAmperes(), AMPERE_UNIT)),
              "Too high lets the motor burn; too low trips when the motor is warm.",
              "Set the overload to the plate current, exactly."));
    }
  }

  /** A number of the plate against its copy in the drive. */
  static void checkCopy(
      AxisAssembly axis,
      EffectiveSettings settings,
      SettingRole role,
      double plateValue,
      MeasureUnit unit,
      List<Finding> found) {
    double set = settings.number(role, plateValue);
    if (Math.abs(set - plateValue) > SAME * plateValue) {
      found.add(
          new Finding(
              Severity.WARNING,
              Rule.PLATE_IN_DRIVE,
              place(axis, role),
              "drive has %s, the plate says %s".formatted(text(set, unit), text(plateValue, unit)),
              "The drive's motor model, limits and displays are built on these numbers.",
              "Enter the plate value, then repeat the auto-tune."));
    }
  }

  private static String place(AxisAssembly axis, SettingRole role) {
    String code = axis.driveSheet().setting(role).map(s -> s.code()).orElse(role.name());
    return "axis/%s/drive/%s".formatted(axis.axis().id(), code);
  }

  private static String text(double value, MeasureUnit unit) {
    return QuantityFormat.PLAIN.text(value, unit);
  }
}
