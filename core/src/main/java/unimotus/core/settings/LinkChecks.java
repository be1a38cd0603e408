package unimotus.core.settings;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import unimotus.core.fieldbus.MapDoubt;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SettingRole;

/** Whether the settings of a drive fit the register fieldbus it is on. */
public final class LinkChecks {
  /** What makes a map wrong whatever the device is. */
  private static final Set<MapDoubt.Kind> WRONG =
      EnumSet.of(
          MapDoubt.Kind.OVERLAP,
          MapDoubt.Kind.RANGE,
          MapDoubt.Kind.UNIT,
          MapDoubt.Kind.ROLE_TWICE,
          MapDoubt.Kind.READ_ONLY,
          MapDoubt.Kind.TOO_LONG);

  private LinkChecks() {}

  /**
   * Whether the drive takes run and stop over its fieldbus, from registers that are known or from a
   * station of process data.
   */
  public static boolean isCommandedByLink(AxisAssembly axis) {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    return settings.is(SettingRole.COMMAND_SOURCE, Option.FIELDBUS, Option.TERMINALS)
        && !(axis.record().fieldbus().registers().isEmpty() && axis.stations().isEmpty());
  }

  /** Findings of one axis; none where it has no registers. */
  public static List<Finding> check(AxisAssembly axis) {
    List<Finding> found = new ArrayList<>();
    if (axis.record().fieldbus().registers().isEmpty()) {
      return found;
    }
    checkUnit(axis, found);
    checkLoss(axis, found);
    axis.record().fieldbus().map().doubts().stream()
        .filter(d -> WRONG.contains(d.kind()))
        .forEach(d -> found.add(wrong(axis, d)));
    return found;
  }

  private static void checkUnit(AxisAssembly axis, List<Finding> found) {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    int unit = axis.record().fieldbus().unit();
    double set = settings.number(SettingRole.STATION_ADDRESS, unit);
    if (set != unit) {
      found.add(
          new Finding(
              Severity.ERROR,
              Rule.UNIT_NUMBER,
              place(axis),
              "the program asks unit %d, the drive is set to %.0f".formatted(unit, set),
              "No drive answers, or another drive acts on this one's commands.",
              "Set the station address of the drive, or the unit under Map."));
    }
  }

  private static void checkLoss(AxisAssembly axis, List<Finding> found) {
    LinkLoss loss = LinkLoss.of(axis);
    if (isCommandedByLink(axis) && axis.stations().isEmpty() && loss.runsOn()) {
      found.add(
          new Finding(
              Severity.WARNING,
              Rule.LINK_HELD,
              place(axis),
              loss.words(),
              "A cable unplugged, a controller stopped: nothing can stop the motor over the link.",
              "Set a time-out and a stop or a fault. The risk assessment decides; a fieldbus is no emergency stop."));
    }
  }

  private static Finding wrong(AxisAssembly axis, MapDoubt doubt) {
    return new Finding(
        Severity.ERROR,
        Rule.REGISTER_MAP,
        place(axis),
        "%s: %s".formatted(doubt.entry(), doubt.seen()),
        "What is read or written is not what is meant.",
        doubt.remedy());
  }

  private static String place(AxisAssembly axis) {
    return "axis/%s/fieldbus".formatted(axis.axis().id());
  }
}
