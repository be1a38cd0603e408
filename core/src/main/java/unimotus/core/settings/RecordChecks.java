package unimotus.core.settings;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Borrowing;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Snapshot;
import unimotus.core.machine.Tuning;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;

/** What is still open between the design of a drive's settings and the drive itself. */
public final class RecordChecks {
  private RecordChecks() {}

  /** Findings of one axis; possibly empty. */
  public static List<Finding> check(AxisAssembly axis) {
    List<Finding> found = new ArrayList<>();
    axis.record().out().forEach(b -> found.add(borrowed(axis, b)));
    Tuning tuning = axis.record().tuning();
    if (tuning != null && TuningState.of(axis) == TuningState.STALE) {
      found.add(
          new Finding(
              Severity.WARNING,
              Rule.TUNING_STALE,
              place(axis),
              "motor data were changed after the auto-tune of %s".formatted(tuning.at()),
              "The drive works with a model of another motor: torque and slip are wrong.",
              "Repeat the auto-tune with the shaft free, then record it."));
    }
    axis.record().last(Snapshot.Kind.AS_LEFT).ifPresent(s -> checkLeft(axis, s, found));
    return found;
  }

  private static Finding borrowed(AxisAssembly axis, Borrowing borrowing) {
    return new Finding(
        Severity.WARNING,
        Rule.BORROWED,
        place(axis),
        "%s changed %s for a test: %s"
            .formatted(
                borrowing.by(), String.join(", ", borrowing.before().keySet()), borrowing.why()),
        "A drive that leaves the bench like this does not answer its controller.",
        "Put the settings back, read them again, and record it.");
  }

  private static void checkLeft(AxisAssembly axis, Snapshot left, List<Finding> found) {
    List<SettingComparison.Row> rows =
        SettingComparison.of(axis.driveSheet(), designed(axis), left.values()).differences();
    List<String> differing = codes(rows, SettingComparison.Kind.CHANGED);
    List<String> unread = codes(rows, SettingComparison.Kind.MISSING_RIGHT);
    if (!unread.isEmpty()) {
      found.add(
          new Finding(
              Severity.NOTE,
              Rule.LEFT_UNREAD,
              place(axis),
              "%d of %d settings were not read as left on %s"
                  .formatted(unread.size(), axis.driveSheet().settings().size(), left.at()),
              "Whether they are as designed is not known.",
              "Read the whole list, or check these by hand: %s.".formatted(some(unread))));
    }
    if (!differing.isEmpty()) {
      found.add(
          new Finding(
              Severity.WARNING,
              Rule.LEFT_OTHERWISE,
              place(axis),
              "%d settings as left on %s differ from the design: %s"
                  .formatted(differing.size(), left.at(), String.join(", ", differing)),
              "What was proved on paper is not what runs.",
              "Enter them, or take over into the design what was meant to stay."));
    }
  }

  /** A macro only writes others; what it wrote is compared, not its name. */
  private static List<String> codes(List<SettingComparison.Row> rows, SettingComparison.Kind kind) {
    return rows.stream()
        .filter(r -> r.kind() == kind && r.setting().isKept())
        .filter(r -> r.setting().role() != SettingRole.MACRO)
        .map(r -> r.setting().code())
        .toList();
  }

  private static String some(List<String> codes) {
    int most = 8;
    return codes.size() <= most
        ? String.join(", ", codes)
        : String.join(", ", codes.subList(0, most)) + " and others";
  }

  /** Every setting of a drive as designed, by code in menu order. */
  public static Map<String, SettingValue> designed(AxisAssembly axis) {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    Map<String, SettingValue> values = SettingGraph.works(axis.driveSheet());
    for (SettingDefinition setting : axis.driveSheet().settings()) {
      values.put(setting.code(), settings.value(setting));
    }
    return values;
  }

  private static String place(AxisAssembly axis) {
    return "axis/%s/drive".formatted(axis.axis().id());
  }
}
