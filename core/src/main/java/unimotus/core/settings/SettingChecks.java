package unimotus.core.settings;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Reference;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;

/** What is off in the settings themselves, whatever they are used for. */
public final class SettingChecks {
  private SettingChecks() {}

  /** Findings of one axis; possibly empty. */
  public static List<Finding> check(AxisAssembly axis) {
    List<Finding> found = new ArrayList<>();
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    checkCommandSource(axis, settings, found);
    checkReferenceSource(axis, settings, found);
    return found;
  }

  private static void checkCommandSource(
      AxisAssembly axis, EffectiveSettings settings, List<Finding> found) {
    Option source = settings.option(SettingRole.COMMAND_SOURCE, Option.TERMINALS);
    boolean meant = source == Option.FIELDBUS && LinkChecks.isCommandedByLink(axis);
    if (source != Option.TERMINALS && !meant && settings.inputFor("run-forward").isPresent()) {
      found.add(
          new Finding(
              Severity.ERROR,
              Rule.COMMAND_SOURCE,
              place(axis, code(axis, SettingRole.COMMAND_SOURCE)),
              "the drive takes run and stop from its %s, the axis is commanded over terminals"
                  .formatted(source.word()),
              "The run contact will close and nothing will happen; from the keypad it works.",
              "Set the command source to terminals."));
    }
  }

  private static void checkReferenceSource(
      AxisAssembly axis, EffectiveSettings settings, List<Finding> found) {
    Reference reference = axis.axis().reference();
    String wired = reference.source();
    if (wired == null) {
      return;
    }
    String source = settings.choice(SettingRole.REFERENCE_SOURCE, wired);
    if (!source.equals(wired)) {
      found.add(
          new Finding(
              Severity.ERROR,
              Rule.REFERENCE_SOURCE,
              place(axis, code(axis, SettingRole.REFERENCE_SOURCE)),
              reference.local() == null
                  ? "the drive takes its reference from %s, the axis sends it to %s"
                      .formatted(source, wired)
                  : "the drive takes its reference from %s, it is set by the %s"
                      .formatted(source, reference.local().label()),
              reference.local() == null
                  ? "The speed will not follow the controller at any signal."
                  : "The speed will not follow the hand that sets it.",
              "Set the reference source to " + wired + "."));
    }
  }

  private static String code(AxisAssembly axis, SettingRole role) {
    return axis.driveSheet().setting(role).map(SettingDefinition::code).orElse(role.name());
  }

  private static String place(AxisAssembly axis, String code) {
    return "axis/%s/drive/%s".formatted(axis.axis().id(), code);
  }
}
