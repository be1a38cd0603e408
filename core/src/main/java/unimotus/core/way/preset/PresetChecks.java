package unimotus.core.way.preset;

import static unimotus.core.path.Numbers.text;
import static unimotus.core.quantity.MeasureUnit.HERTZ_UNIT;

import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Preset;
import unimotus.core.machine.Reference;
import unimotus.core.path.FrequencyLimits;
import unimotus.core.path.PathFindings;
import unimotus.core.sheet.NumberSetting;
import unimotus.core.sheet.SettingRole;

/** The speeds that are wanted held against the inputs and the settings of the drive. */
final class PresetChecks {
  private final AxisAssembly axis;
  private final Reference reference;
  private final PathFindings findings;

  PresetChecks(AxisAssembly axis, PathFindings findings) {
    this.axis = axis;
    this.reference = axis.axis().reference();
    this.findings = findings;
  }

  void check() {
    Optional<PresetTable> table = PresetTable.of(axis);
    if (table.isEmpty()) {
      findings.add(
          Severity.ERROR,
          Rule.PRESET_UNKNOWN,
          "reference",
          "preset speeds are wanted; the sheet of %s does not say how it takes any"
              .formatted(axis.drive().name()),
          "What a combination of inputs does cannot be determined.",
          "Complete the device sheet from the manual, or choose another drive.");
      return;
    }
    checkSource(table.get());
    reference.presets().forEach(p -> check(table.get(), p));
    checkEqual(table.get());
  }

  private void checkSource(PresetTable table) {
    if (!table.isInForce()) {
      findings.add(
          Severity.ERROR,
          Rule.PRESET_SOURCE,
          findings.setting(SettingRole.REFERENCE_SOURCE, "reference"),
          "preset speeds are wanted; the drive takes its reference from '%s'"
              .formatted(table.source()),
          "This drive looks at its preset inputs only while they are its reference source.",
          "Set the reference source to the presets, or do without the other reference.");
    }
  }

  private void check(PresetTable table, Preset preset) {
    NumberSetting setting = table.values().get(preset.number());
    Double stands = table.hertz().get(preset.number());
    if (!table.combinations().contains(preset.number())) {
      unreachable(table, preset);
    } else if (setting == null || stands == null) {
      missing(
          preset,
          "the drive has no frequency for it",
          "Use a combination the drive has a frequency for.");
    } else {
      checkLimits(preset, setting, stands);
      checkValue(preset, setting, stands);
    }
  }

  private void unreachable(PresetTable table, Preset preset) {
    missing(
        preset,
        table.inputs().isEmpty()
            ? "no preset input is wired"
            : "inputs %s never make it"
                .formatted(
                    String.join(", ", table.inputs().stream().map(i -> "preset " + i).toList())),
        "Wire the inputs of the combination, or give the speed another number.");
  }

  private void missing(Preset preset, String why, String remedy) {
    findings.add(
        Severity.ERROR,
        Rule.PRESET_MISSING,
        "reference/preset-" + preset.number(),
        "preset %d (%s) cannot be chosen: %s".formatted(preset.number(), preset.name(), why),
        "The machine never runs at this speed.",
        remedy);
  }

  private void checkLimits(Preset preset, NumberSetting setting, double stands) {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    FrequencyLimits limits =
        new FrequencyLimits(
            settings.number(SettingRole.MINIMUM_FREQUENCY, 0),
            settings.number(SettingRole.MAXIMUM_FREQUENCY, setting.maximum()));
    limits
        .condition(stands)
        .ifPresent(
            held ->
                findings.add(
                    Severity.ERROR,
                    Rule.PRESET_LIMITS,
                    "drive/" + setting.code(),
                    "preset %d (%s) is set to %s and should be %s"
                        .formatted(preset.number(), preset.name(), text(stands, HERTZ_UNIT), held),
                    "The drive does not leave its limits for a preset.",
                    "Change the preset, or the limit if motor and machine allow it."));
  }

  private void checkValue(Preset preset, NumberSetting setting, double stands) {
    double wanted = reference.hertzAt(preset.speed());
    double off = Math.abs(reference.speedAt(stands) - preset.speed());
    if (off > reference.wantedStep() && Math.abs(wanted - stands) > PathFindings.SAME_HERTZ) {
      findings.add(
          Severity.ERROR,
          Rule.PRESET_VALUE,
          "drive/" + setting.code(),
          "preset %d (%s) is set to %s; %s is %s"
              .formatted(
                  preset.number(),
                  preset.name(),
                  text(stands, HERTZ_UNIT),
                  findings.number(preset.speed()),
                  text(wanted, HERTZ_UNIT)),
          "The machine runs at another speed than is wanted.",
          "Enter the frequency, or correct the speed that is wanted.");
    }
  }

  /** Two combinations of one frequency make no difference to the machine. */
  private void checkEqual(PresetTable table) {
    Map<Double, Integer> first = new TreeMap<>();
    for (int number : table.combinations()) {
      Double hertz = table.hertz().get(number);
      Integer other = hertz == null ? null : first.putIfAbsent(hertz, number);
      if (hertz != null && other != null) {
        findings.add(
            Severity.WARNING,
            Rule.PRESET_EQUAL,
            "reference/preset-" + number,
            "presets %d and %d are both %s".formatted(other, number, text(hertz, HERTZ_UNIT)),
            "Changing from one to the other changes nothing; one of them was not entered, perhaps.",
            "Give each combination a frequency of its own, or leave the input away.");
      }
    }
  }
}
