package unimotus.workbench.fix;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import unimotus.core.finding.Finding;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Wire;
import unimotus.core.settings.DerivedSettings;
import unimotus.core.settings.SettingText;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingValue;
import unimotus.workbench.Edit;
import unimotus.workbench.Edits;
import unimotus.workbench.WiringEdits;
import unimotus.workbench.WorkStep;
import unimotus.workbench.find.Target;

/** The single changes that a finding points at: what it names, put to what else it can be. */
final class Candidates {
  private static final String JUMPER = "jumper";

  private final AxisAssembly axis;
  private final String text;
  private final EffectiveSettings settings;
  private final List<Fix> all = new ArrayList<>();

  Candidates(AxisAssembly axis, Finding finding) {
    this.axis = axis;
    this.text =
        String.join(" ", finding.place().replace('/', ' '), finding.seen(), finding.remedy());
    this.settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    settings();
    selectors();
    wires();
  }

  List<Fix> all() {
    return all;
  }

  private boolean names(@Nullable String word) {
    return word != null
        && !word.isEmpty()
        && Pattern.compile("(?<![\\w-])" + Pattern.quote(word) + "(?![\\w-])").matcher(text).find();
  }

  private void settings() {
    Map<String, SettingValue> derived = DerivedSettings.of(axis);
    for (SettingDefinition setting : axis.driveSheet().settings()) {
      if (!names(setting.code()) && !names(setting.terminal())) {
        continue;
      }
      SettingValue now = settings.value(setting);
      options(setting, Optional.ofNullable(derived.get(setting.code()))).stream()
          .filter(v -> !v.equals(now))
          .distinct()
          .forEach(v -> all.add(setting(setting, now, v)));
    }
  }

  /** Every choice; of a number what follows from the design, and the factory default. */
  private static List<SettingValue> options(
      SettingDefinition setting, Optional<SettingValue> derived) {
    List<SettingValue> values = new ArrayList<>();
    if (setting instanceof ChoiceSetting choice) {
      choice.options().forEach(o -> values.add(new SettingValue.Choice(o.value())));
      return values;
    }
    derived.ifPresent(values::add);
    values.add(setting.initial());
    return values;
  }

  private Fix setting(SettingDefinition setting, SettingValue now, SettingValue next) {
    return new Fix(
        "%s %s: %s → %s"
            .formatted(
                setting.code(),
                setting.name(),
                SettingText.of(setting, now),
                SettingText.of(setting, next)),
        Edits.setting(axis.drive().id(), setting.code(), next),
        new Target.Setting(
            axis.axis().id(), "axis/%s/drive/%s".formatted(axis.axis().id(), setting.code())));
  }

  private void selectors() {
    for (Selector selector : axis.driveSheet().selectors()) {
      boolean jumper = selector.role() == SelectorRole.STO_JUMPER && text.contains(JUMPER);
      if (jumper || isNamed(selector)) {
        String now = axis.drive().selectors().getOrDefault(selector.id(), selector.initial());
        positions(
            selector,
            now,
            axis.drive().name(),
            p -> Edits.driveSelector(axis.drive().id(), selector.id(), p));
      }
    }
    for (Selector selector : axis.controllerSheet().selectors()) {
      if (isNamed(selector)) {
        String now = axis.controller().selectors().getOrDefault(selector.id(), selector.initial());
        positions(
            selector,
            now,
            axis.controller().name(),
            p -> Edits.controllerSelector(axis.controller().id(), selector.id(), p));
      }
    }
  }

  private boolean isNamed(Selector selector) {
    return names(selector.terminal()) || names(selector.id()) || text.contains(selector.label());
  }

  private interface Putting {
    Edit to(String position);
  }

  private void positions(Selector selector, String now, String device, Putting putting) {
    for (String position : selector.options()) {
      if (!position.equals(now)) {
        all.add(
            new Fix(
                "%s of %s: %s → %s".formatted(selector.label(), device, now, position),
                putting.to(position),
                new Target.Station(axis.axis().id(), WorkStep.IDENTIFY)));
      }
    }
  }

  private void wires() {
    for (Wire wire : axis.wires()) {
      if (text.contains("wire " + wire.id() + " ")) {
        all.add(
            new Fix(
                "remove wire %s, %s to %s".formatted(wire.id(), wire.from(), wire.to()),
                WiringEdits.disconnect(wire),
                new Target.OnBoard(axis.axis().id(), wire.id())));
      }
    }
  }
}
