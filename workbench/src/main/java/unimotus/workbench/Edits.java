package unimotus.workbench;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Answer;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Controller;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Ids;
import unimotus.core.machine.IoAddress;
import unimotus.core.machine.Load;
import unimotus.core.machine.LocalReference;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.Motor;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.machine.Reference;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.settings.DerivedSettings;
import unimotus.core.sheet.ControllerSheet;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.MotorPlate;
import unimotus.core.sheet.MotorSheet;
import unimotus.core.sheet.SettingValue;
import unimotus.core.sheet.SheetCatalogue;

/** The named changes of a project. Each refuses what the model refuses and names the thing. */
public final class Edits {
  private Edits() {}

  /** Renames the line. */
  public static Edit renameLine(String name) {
    return new Edit("rename the line", p -> p.withName(name));
  }

  /** Renames an axis. */
  public static Edit renameAxis(String axisId, String name) {
    return onAxis("rename axis", axisId, a -> a.withName(name));
  }

  /** Puts an axis into a group of the line; blank for none. */
  public static Edit groupAxis(String axisId, String group) {
    return onAxis("group axis", axisId, a -> a.with().group(group).build());
  }

  /** Gives an axis a controller of a class; one of that class already in the line is shared. */
  public static Edit chooseController(String axisId, ControllerSheet sheet) {
    return new Edit(
        "choose " + sheet.name(),
        p -> {
          Controller shared =
              p.controllers().stream()
                  .filter(c -> c.sheet().equals(sheet.id()))
                  .findFirst()
                  .orElseGet(
                      () ->
                          new Controller(
                              Ids.from("controller", deviceIds(p)),
                              "Controller",
                              sheet.id(),
                              Map.of()));
          Axis axis = axis(p, axisId);
          return p.with(shared).with(axis.withDevices(shared.id(), axis.drive(), axis.motor()));
        });
  }

  /** Gives an axis a new drive of a class. */
  public static Edit chooseDrive(String axisId, DriveSheet sheet) {
    return new Edit(
        "choose " + sheet.name(),
        p -> {
          Axis axis = axis(p, axisId);
          String name = axis.name() + " drive";
          Drive drive =
              new Drive(Ids.from(name, deviceIds(p)), name, sheet.id(), Map.of(), Map.of());
          return p.with(drive).with(axis.withDevices(axis.controller(), drive.id(), axis.motor()));
        });
  }

  /** Gives an axis a new motor with the plate of a class. */
  public static Edit chooseMotor(String axisId, MotorSheet sheet) {
    return new Edit(
        "choose " + sheet.name(),
        p -> {
          Axis axis = axis(p, axisId);
          String name = axis.name() + " motor";
          List<String> taken = p.motors().stream().map(Motor::id).toList();
          Motor motor = new Motor(Ids.from(name, taken), name, sheet.plate());
          return p.with(motor).with(axis.withDevices(axis.controller(), axis.drive(), motor.id()));
        });
  }

  /** Gives a channel of a controller its address; null takes it away. */
  public static Edit address(String controllerId, String terminal, @Nullable IoAddress address) {
    return new Edit(
        "set address of " + terminal,
        p ->
            p.with(
                p.controller(controllerId)
                    .orElseThrow(() -> gone("controller", controllerId))
                    .withAddress(terminal, address)));
  }

  private static List<String> deviceIds(Project project) {
    List<String> ids = new ArrayList<>();
    project.controllers().forEach(c -> ids.add(c.id()));
    project.drives().forEach(d -> ids.add(d.id()));
    return ids;
  }

  private static Axis axis(Project project, String id) {
    return project.axis(id).orElseThrow(() -> gone("axis", id));
  }

  /** Sets the way of the reference. */
  public static Edit reference(String axisId, String what, Reference reference) {
    return onAxis("set " + what, axisId, a -> a.withReference(reference));
  }

  /** What sets the speed; null for the program. What cannot go with it is given up. */
  public static Edit local(String axisId, @Nullable LocalReference local) {
    return onAxis(
        "set what sets the speed",
        axisId,
        a -> {
          Reference reference = a.reference();
          return a.withReference(
              reference
                  .setBy(local)
                  .withTerminals(
                      local == null ? reference.output() : null,
                      local == LocalReference.KEYPAD ? null : reference.input()));
        });
  }

  /** Sets the way of the actual value. */
  public static Edit answer(String axisId, String what, Answer answer) {
    return onAxis("set " + what, axisId, a -> a.withAnswer(answer));
  }

  /** Sets the mechanics. */
  public static Edit mechanics(String axisId, String what, Mechanics mechanics) {
    return onAxis("set " + what, axisId, a -> a.withMechanics(mechanics));
  }

  /** Sets the load. */
  public static Edit load(String axisId, String what, Load load) {
    return onAxis("set " + what, axisId, a -> a.withLoad(load));
  }

  /** Sets a motor's plate. */
  public static Edit plate(String motorId, String what, MotorPlate plate) {
    return new Edit("set " + what, p -> p.with(motor(p, motorId).withPlate(plate)));
  }

  /** Changes a drive's setting. */
  public static Edit setting(String driveId, String code, SettingValue value) {
    return new Edit(
        "set %s to %s".formatted(code, text(value)),
        p -> p.with(drive(p, driveId).withSetting(code, value)));
  }

  /** Puts a drive's setting back to its default. */
  public static Edit settingToDefault(String driveId, String code) {
    return new Edit(
        "set %s to default".formatted(code), p -> p.with(drive(p, driveId).withDefault(code)));
  }

  /** Moves a switch or jumper of a drive. */
  public static Edit driveSelector(String driveId, String selectorId, String position) {
    return new Edit(
        "put %s to %s".formatted(selectorId, position),
        p -> p.with(drive(p, driveId).withSelector(selectorId, position)));
  }

  /** Sets a channel choice of a controller. */
  public static Edit controllerSelector(String controllerId, String selectorId, String position) {
    return new Edit(
        "set %s to %s".formatted(selectorId, position),
        p -> p.with(controller(p, controllerId).withSelector(selectorId, position)));
  }

  /** Enters the settings that follow; those overruled with a reason stay. */
  public static Edit takeOverDerived(SheetCatalogue sheets, String axisId) {
    return new Edit(
        "enter the settings that follow",
        p -> {
          AxisAssembly assembly = assembly(p, sheets, axisId);
          Drive drive = assembly.drive();
          for (Map.Entry<String, SettingValue> entry : DerivedSettings.of(assembly).entrySet()) {
            if (!assembly.record().overrules().containsKey(entry.getKey())) {
              drive = drive.withSetting(entry.getKey(), entry.getValue());
            }
          }
          return p.with(drive);
        });
  }

  /** Adds a reading. */
  public static Edit reading(Reading reading) {
    return new Edit("record " + reading.prediction(), p -> p.with(reading));
  }

  /**
   * Writes beside the last reading of a prediction what was seen besides, and where its picture is.
   *
   * @param note in words; blank for nothing
   * @param photo path as it was entered; blank for none
   */
  public static Edit annotate(String axisId, String predictionKey, String note, String photo) {
    return new Edit(
        "write beside " + predictionKey,
        p -> {
          List<Reading> readings = new ArrayList<>(p.readings());
          for (int i = readings.size() - 1; i >= 0; i--) {
            Reading reading = readings.get(i);
            if (reading.axis().equals(axisId) && reading.prediction().equals(predictionKey)) {
              readings.set(i, reading.with().note(note).photo(photo).build());
              return p.withReadings(readings);
            }
          }
          throw new IllegalArgumentException(
              "%s: there is no reading yet to write something beside".formatted(predictionKey));
        });
  }

  /** Removes all readings of one prediction. */
  public static Edit forgetReading(String axisId, String predictionKey) {
    return new Edit(
        "remove reading " + predictionKey,
        p ->
            p.withReadings(
                p.readings().stream()
                    .filter(r -> !(r.axis().equals(axisId) && r.prediction().equals(predictionKey)))
                    .toList()));
  }

  private static Edit onAxis(String name, String axisId, UnaryOperator<Axis> change) {
    return new Edit(
        name, p -> p.with(change.apply(p.axis(axisId).orElseThrow(() -> gone("axis", axisId)))));
  }

  private static AxisAssembly assembly(Project project, SheetCatalogue sheets, String axisId) {
    Axis axis = project.axis(axisId).orElseThrow(() -> gone("axis", axisId));
    return AxisAssembly.of(project, sheets, axis)
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "%s still misses %s"
                        .formatted(
                            axis.name(),
                            String.join(", ", AxisAssembly.missing(project, sheets, axis)))));
  }

  private static Drive drive(Project project, @Nullable String id) {
    return project.drive(String.valueOf(id)).orElseThrow(() -> gone("drive", id));
  }

  private static Motor motor(Project project, @Nullable String id) {
    return project.motor(String.valueOf(id)).orElseThrow(() -> gone("motor", id));
  }

  private static Controller controller(Project project, @Nullable String id) {
    return project.controller(String.valueOf(id)).orElseThrow(() -> gone("controller", id));
  }

  private static IllegalArgumentException gone(String thing, @Nullable String id) {
    return new IllegalArgumentException("there is no %s '%s' in the project".formatted(thing, id));
  }

  private static String text(SettingValue value) {
    return value instanceof SettingValue.Number n
        ? QuantityFormat.PLAIN.number(n.value())
        : ((SettingValue.Choice) value).value();
  }
}
