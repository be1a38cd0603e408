package unimotus.core.sheet;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/** What keeps a sheet from being used, beyond what its schema can tell. */
public final class SheetFaults {
  private SheetFaults() {}

  /** The faults in words, each naming the terminal or selector; empty where there are none. */
  public static List<String> of(DeviceSheet sheet) {
    List<String> faults = new ArrayList<>();
    Set<String> seen = new HashSet<>();
    for (Terminal terminal : sheet.terminals()) {
      if (!seen.add(terminal.id())) {
        faults.add("terminal '%s' is there twice".formatted(terminal.id()));
      }
      check(sheet, terminal, faults);
    }
    for (Selector selector : sheet.selectors()) {
      if (selector.terminal() != null && sheet.terminal(selector.terminal()).isEmpty()) {
        faults.add(
            "switch %s belongs to terminal '%s', which the device does not have"
                .formatted(selector.id(), selector.terminal()));
      }
    }
    sheet.selectors().forEach(s -> checkPositions(s, faults));
    if (sheet instanceof DriveSheet drive) {
      drive.settings().forEach(s -> checkWords(s, faults));
      checkRules(drive, faults);
      checkPresets(drive, faults);
      checkSwitches(drive, faults);
    }
    return faults;
  }

  private static void checkPositions(Selector selector, List<String> faults) {
    selector.options().stream()
        .filter(o -> !selector.role().takes(o))
        .forEach(
            o ->
                faults.add(
                    "switch %s (%s) has the position '%s'; it takes %s"
                        .formatted(
                            selector.id(),
                            selector.role().label(),
                            o,
                            selector.role().positions())));
  }

  private static void checkWords(SettingDefinition setting, List<String> faults) {
    SettingRole role = setting.role();
    if (role == null || !(setting instanceof ChoiceSetting choice)) {
      return;
    }
    choice.options().stream()
        .map(ChoiceSetting.Option::value)
        .filter(o -> !role.takes(o))
        .forEach(
            o ->
                faults.add(
                    "setting %s (%s) offers '%s', which is no word for it; there are %s"
                        .formatted(setting.code(), setting.name(), o, role.words())));
  }

  private static void checkRules(DriveSheet drive, List<String> faults) {
    for (SettingRule rule : drive.rules()) {
      rule.named().stream()
          .filter(c -> drive.setting(c).isEmpty())
          .forEach(
              c ->
                  faults.add(
                      "a rule names setting %s, which the drive does not have".formatted(c)));
      if (rule instanceof SettingRule.Rewrites r) {
        r.sets().forEach((code, value) -> checkTaken(drive, r.code(), code, value, faults));
      }
    }
    List<String> ring = SettingRings.first(drive);
    if (!ring.isEmpty()) {
      faults.add(
          "settings rewrite or lock each other in a ring: %s".formatted(String.join(" → ", ring)));
    }
  }

  /** Every preset has a frequency of its own, and what has some says how they are chosen. */
  private static void checkPresets(DriveSheet drive, List<String> faults) {
    Map<Integer, String> codes = new TreeMap<>();
    for (SettingDefinition setting : drive.settings()) {
      Integer preset = setting instanceof NumberSetting n ? n.preset() : null;
      String other = preset == null ? null : codes.putIfAbsent(preset, setting.code());
      if (other != null) {
        faults.add(
            "settings %s and %s are both the frequency of preset %d"
                .formatted(other, setting.code(), preset));
      }
    }
    if (!codes.isEmpty() && drive.presets() == null) {
      faults.add(
          "setting %s is the frequency of a preset, but how presets are chosen is not given"
              .formatted(codes.values().iterator().next()));
    }
  }

  /** A position of a step driver's switches has its row in the table on the lid. */
  private static void checkSwitches(DriveSheet drive, List<String> faults) {
    StepDriver data = drive.driveKind() instanceof DriveKind.Step step ? step.data() : null;
    if (data == null) {
      return;
    }
    checkTable(drive, SelectorRole.STEPS_PER_TURN, data.microsteps(), faults);
    checkTable(drive, SelectorRole.PHASE_CURRENT, data.currents(), faults);
  }

  private static void checkTable(
      DriveSheet drive, SelectorRole role, SwitchTable table, List<String> faults) {
    List<String> options = drive.selector(role).map(Selector::options).orElse(List.of());
    options.stream()
        .filter(role::takes)
        .filter(o -> table.of(Double.parseDouble(o.replace(" A", ""))).isEmpty())
        .forEach(
            o ->
                faults.add(
                    "the switch for %s has the position '%s', which its table does not have"
                        .formatted(role.label(), o)));
    if (options.isEmpty()) {
      faults.add("a step driver with tables has no switch for %s".formatted(role.label()));
    }
  }

  private static void checkTaken(
      DriveSheet drive, String by, String code, SettingValue value, List<String> faults) {
    drive
        .setting(code)
        .filter(s -> !s.takes(value))
        .ifPresent(
            s ->
                faults.add(
                    "%s writes a value to %s that it does not take; it takes %s"
                        .formatted(by, code, s.rangeText())));
  }

  private static void check(DeviceSheet sheet, Terminal terminal, List<String> faults) {
    List<String> missing = terminal.missingFigures().stream().map(Figure::label).toList();
    if (!missing.isEmpty()) {
      faults.add(
          "terminal %s (%s) has no electrical model: %s not given"
              .formatted(terminal.id(), terminal.role().label(), String.join(", ", missing)));
    }
    for (Figure figure : terminal.role().typical().keySet()) {
      Double given = terminal.electrical().get(figure.key());
      if (given != null && !(given > 0 && Double.isFinite(given))) {
        faults.add(
            "terminal %s: %s must be over 0 %s, not %s"
                .formatted(terminal.id(), figure.label(), figure.unit().symbol(), given));
      }
    }
    if (terminal.common() != null && sheet.terminal(terminal.common()).isEmpty()) {
      faults.add(
          "terminal %s closes to '%s', which the device does not have"
              .formatted(terminal.id(), terminal.common()));
    }
  }
}
