package unimotus.core.way.preset;

import java.util.Map;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Intent;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.NumberSetting;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.PresetInputs;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;
import unimotus.core.wiring.Meanings;

/**
 * What a drive makes of its preset inputs.
 *
 * @param rule how it counts them, and when they are in force
 * @param inputs the numbers of the preset inputs something is meant for, 1 to 4
 * @param values the setting that holds the frequency of a combination, by its number
 * @param hertz what that setting stands at
 * @param source what the drive takes its reference from, as its setting says
 */
record PresetTable(
    PresetInputs rule,
    SortedSet<Integer> inputs,
    Map<Integer, NumberSetting> values,
    Map<Integer, Double> hertz,
    String source) {

  /** The table of an axis; empty where the drive takes no presets, or its sheet is silent. */
  static Optional<PresetTable> of(AxisAssembly axis) {
    DriveSheet sheet = axis.driveSheet();
    PresetInputs rule = sheet.presets();
    if (rule == null) {
      return Optional.empty();
    }
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), sheet);
    Map<Integer, NumberSetting> values = new TreeMap<>();
    Map<Integer, Double> hertz = new TreeMap<>();
    for (SettingDefinition setting : sheet.settings()) {
      if (setting instanceof NumberSetting n
          && n.preset() != null
          && settings.value(n) instanceof SettingValue.Number stands) {
        values.put(n.preset(), n);
        hertz.put(n.preset(), stands.value());
      }
    }
    return Optional.of(
        new PresetTable(
            rule,
            inputs(axis),
            values,
            hertz,
            settings.choice(SettingRole.REFERENCE_SOURCE, Option.PRESETS.word())));
  }

  private static SortedSet<Integer> inputs(AxisAssembly axis) {
    SortedSet<Integer> inputs = new TreeSet<>();
    for (Intent intent : Meanings.of(axis)) {
      if (intent.meaning().isPreset() && intent.input().device().equals(axis.drive().id())) {
        inputs.add(intent.meaning().preset());
      }
    }
    return inputs;
  }

  /** Whether the drive looks at its preset inputs at all. */
  boolean isInForce() {
    return rule.priority() == PresetInputs.Priority.OVER_REFERENCE
        || source.equals(Option.PRESETS.word());
  }

  /** The combinations the wired inputs can make that are the presets' own, in rising order. */
  SortedSet<Integer> combinations() {
    SortedSet<Integer> made = new TreeSet<>();
    if (rule.priority() == PresetInputs.Priority.AS_SOURCE) {
      made.add(0);
    }
    for (int set = 1; set < 1 << inputs.size(); set++) {
      made.add(rule.counting().number(closed(set)));
    }
    return made;
  }

  private SortedSet<Integer> closed(int set) {
    SortedSet<Integer> closed = new TreeSet<>();
    int place = 0;
    for (int input : inputs) {
      if ((set >> place++ & 1) == 1) {
        closed.add(input);
      }
    }
    return closed;
  }

  /** The inputs the program closes for a combination it can make, by their numbers. */
  SortedSet<Integer> closedFor(int combination) {
    SortedSet<Integer> closed = new TreeSet<>(rule.counting().closed(combination));
    closed.retainAll(inputs);
    return closed;
  }
}
