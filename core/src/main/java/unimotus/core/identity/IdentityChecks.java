package unimotus.core.identity;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.DrivePlate;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.sheet.DriveIdentity;
import unimotus.core.sheet.DriveIdentity.Variant;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SettingRole;

/** What the plate of a drive says against what the axis asks of it. */
public final class IdentityChecks {
  private IdentityChecks() {}

  /** Findings of one axis; empty where nothing was read yet or the sheet is silent. */
  public static List<Finding> check(AxisAssembly axis) {
    DriveIdentity identity = axis.driveSheet().identity();
    DrivePlate plate = axis.record().plate();
    if (identity == null || plate.equals(DrivePlate.UNREAD)) {
      return List.of();
    }
    List<Finding> found = new ArrayList<>();
    checkFirmware(axis, identity, plate, found);
    checkVariant(axis, identity, plate, found);
    if (!plate.undamaged()) {
      found.add(
          finding(
              axis,
              Severity.WARNING,
              Rule.DAMAGED,
              "the drive was read, but its condition was not checked",
              "A damaged drive fails under power, and its housing protects nobody.",
              "Inspect it before mains is connected, then tick it."));
    }
    return found;
  }

  private static void checkFirmware(
      AxisAssembly axis, DriveIdentity identity, DrivePlate plate, List<Finding> found) {
    if (!plate.firmware().isEmpty()
        && Firmware.isOlder(plate.firmware(), identity.minimumFirmware())) {
      found.add(
          finding(
              axis,
              Severity.ERROR,
              Rule.FIRMWARE,
              "firmware is %s, at least %s is needed"
                  .formatted(plate.firmware(), identity.minimumFirmware()),
              "Settings and codes of the sheet are not those of the drive; found after a day of wiring.",
              "Update the drive first, or take a sheet that fits it."));
    }
  }

  private static void checkVariant(
      AxisAssembly axis, DriveIdentity identity, DrivePlate plate, List<Finding> found) {
    Optional<Variant> variant =
        identity.variants().stream().filter(v -> v.suffix().equals(plate.suffix())).findFirst();
    if (variant.isEmpty()) {
      found.add(
          finding(
              axis,
              Severity.WARNING,
              Rule.VARIANT,
              "the sheet knows no model that ends in '%s'".formatted(plate.suffix()),
              "The end of the model's name decides what the drive can do.",
              "Read the plate again, or look the model up."));
      return;
    }
    boolean needsSafety = axis.stops().stream().anyMatch(s -> s.effect().usesSafeTorqueOff());
    if (needsSafety && !variant.get().safetyModule()) {
      found.add(
          lacking(
              axis,
              "'%s' (%s) has no safe torque off, but a stop ends on it"
                  .formatted(plate.suffix(), variant.get().means())));
    }
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    boolean byLink = settings.is(SettingRole.COMMAND_SOURCE, Option.FIELDBUS, Option.TERMINALS);
    if (byLink && !variant.get().commandsByLink()) {
      found.add(
          lacking(
              axis,
              "'%s' (%s) cannot be commanded over the fieldbus"
                  .formatted(plate.suffix(), variant.get().means())));
    }
  }

  private static Finding lacking(AxisAssembly axis, String seen) {
    return finding(
        axis,
        Severity.ERROR,
        Rule.VARIANT,
        seen,
        "The model looks the same and does less; no setting makes up for that.",
        "Take the model that has it, or build the axis without.");
  }

  private static Finding finding(
      AxisAssembly axis, Severity severity, Rule rule, String seen, String why, String remedy) {
    return new Finding(
        severity, rule, "axis/%s/drive".formatted(axis.axis().id()), seen, why, remedy);
  }
}
