package unimotus.workbench;

import java.util.HashSet;
import java.util.Set;
import java.util.stream.Stream;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Device;
import unimotus.core.machine.Motor;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopFunction;
import unimotus.core.quantity.DecimalText;
import unimotus.core.sheet.DriveIdentity;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingDefinition;

/** What looks like a decimal number and is a code of a setting or part of a name. */
public final class NumberNames {
  private NumberNames() {}

  /** Of the known sheets and of the open line. */
  public static Set<String> of(Session session) {
    Set<String> names = new HashSet<>();
    for (DriveSheet sheet : session.sheets().all(DriveSheet.class)) {
      sheet.settings().stream().map(SettingDefinition::code).forEach(names::add);
      DriveIdentity identity = sheet.identity();
      if (identity != null) {
        names.add(identity.minimumFirmware());
      }
    }
    names(session.project()).map(DecimalText::in).forEach(names::addAll);
    return names;
  }

  private static Stream<String> names(Project project) {
    return Stream.of(
            Stream.of(project.name()),
            project.axes().stream().map(Axis::name),
            project.devices().stream().map(Device::name),
            project.motors().stream().map(Motor::name),
            project.stops().stream().map(StopFunction::name))
        .flatMap(names -> names);
  }
}
