package unimotus.core.machine;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.core.esi.DescriptionCatalogue;
import unimotus.core.sheet.ControllerSheet;
import unimotus.core.sheet.DriveKind;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.StepperPlate;

/**
 * An axis with everything it refers to looked up: what the computing packages take.
 *
 * @param axis the axis
 * @param controller its controller
 * @param controllerSheet the controller's sheet
 * @param drive its drive
 * @param driveSheet the drive's sheet
 * @param motor its motor
 * @param parts the panel parts its wires run over
 * @param wires the wires that touch the drive or those parts
 * @param intents when its binary inputs are meant to read on
 * @param probes measurements to be made on its wires
 * @param stops its stop functions
 * @param record what is known of its drive besides the design
 * @param reach what can influence each of its stops, on any device of the line, by the stop's id
 * @param stations the stations of the process-data fieldbus that lead to its drive; usually one or
 *     none
 * @param descriptions what they are looked up in
 */
@RecordBuilder
public record AxisAssembly(
    Axis axis,
    Controller controller,
    ControllerSheet controllerSheet,
    Drive drive,
    DriveSheet driveSheet,
    Motor motor,
    List<PlacedPart> parts,
    List<Wire> wires,
    List<Intent> intents,
    List<Probe> probes,
    List<StopFunction> stops,
    DriveRecord record,
    Map<String, StopReach> reach,
    List<BusStation> stations,
    DescriptionCatalogue descriptions)
    implements AxisAssemblyBuilder.With {

  /** Takes copies of the lists. */
  public AxisAssembly {
    parts = List.copyOf(parts);
    wires = List.copyOf(wires);
    intents = List.copyOf(intents);
    probes = List.copyOf(probes);
    stops = List.copyOf(stops);
    reach = Map.copyOf(reach);
    stations = List.copyOf(stations);
  }

  /** Looks everything up; empty where something is missing, which {@link #missing} then names. */
  public static Optional<AxisAssembly> of(Project project, SheetCatalogue sheets, Axis axis) {
    return of(project, sheets, axis, new Neighbourhoods(project, sheets));
  }

  /**
   * Looks everything up as {@link #of(Project, SheetCatalogue, Axis)}, with the neighbourhoods of
   * the line found before.
   */
  public static Optional<AxisAssembly> of(
      Project project, SheetCatalogue sheets, Axis axis, Neighbourhoods around) {
    Optional<Controller> controller = chosen(axis.controller()).flatMap(project::controller);
    Optional<Drive> drive = chosen(axis.drive()).flatMap(project::drive);
    Optional<Motor> motor = chosen(axis.motor()).flatMap(project::motor);
    if (controller.isEmpty() || drive.isEmpty() || motor.isEmpty()) {
      return Optional.empty();
    }
    Optional<ControllerSheet> controllerSheet =
        sheets.find(ControllerSheet.class, controller.get().sheet());
    Optional<DriveSheet> driveSheet = sheets.find(DriveSheet.class, drive.get().sheet());
    if (controllerSheet.isEmpty() || driveSheet.isEmpty()) {
      return Optional.empty();
    }
    List<BusStation> stations = project.stationsOf(drive.get().id());
    Neighbourhoods.Neighbourhood own = around.of(drive.get(), axis);
    return Optional.of(
        new AxisAssembly(
            axis,
            controller.get(),
            controllerSheet.get(),
            drive.get(),
            driveSheet.get(),
            motor.get(),
            own.parts(),
            own.wires(),
            project.intents().stream().filter(i -> i.axis().equals(axis.id())).toList(),
            project.probes().stream().filter(p -> p.axis().equals(axis.id())).toList(),
            project.stopsOf(axis.id()),
            project.record(drive.get().id()),
            around.reach(project, drive.get(), motor.get(), project.stopsOf(axis.id())),
            stations,
            stations.isEmpty() ? DescriptionCatalogue.NONE : sheets.descriptions()));
  }

  /** The mains and power cables of its drive; those it is rated for while nobody has looked. */
  public Feed feed() {
    return record.feed() == null ? Feed.ratedFor(driveSheet) : record.feed();
  }

  /** Whether a step driver runs it: it is told positions as pulses. */
  public boolean isStepped() {
    return driveSheet.driveKind() instanceof DriveKind.Step
        && motor.plate() instanceof StepperPlate;
  }

  /** Whether it is told positions, and what it is to do is entered. */
  public boolean isPositioned() {
    return isServo() || (axis.motion() != null && isStepped());
  }

  /** Whether it is a servo motor that is told positions. */
  public boolean isServo() {
    return axis.motion() != null && motor.plate() instanceof ServoPlate;
  }

  /**
   * The plate of its induction motor.
   *
   * @throws IllegalStateException where the motor is of another kind; {@link Motor#induction} tells
   */
  public InductionPlate inductionPlate() {
    return motor
        .induction()
        .orElseThrow(
            () ->
                new IllegalStateException(
                    "%s is a %s".formatted(motor.name(), motor.plate().kind().label())));
  }

  /** This assembly with the drive in another state of its settings and switches. */
  public AxisAssembly with(Drive next) {
    return withDrive(next);
  }

  /** What is not there yet, in words; empty where the axis is complete. */
  public static List<String> missing(Project project, SheetCatalogue sheets, Axis axis) {
    List<String> missing = new ArrayList<>();
    Optional<Controller> controller = chosen(axis.controller()).flatMap(project::controller);
    Optional<Drive> drive = chosen(axis.drive()).flatMap(project::drive);
    if (controller.isEmpty()) {
      missing.add("a controller");
    } else if (sheets.find(ControllerSheet.class, controller.get().sheet()).isEmpty()) {
      missing.add("the controller sheet '" + controller.get().sheet() + "'");
    }
    if (drive.isEmpty()) {
      missing.add("a drive");
    } else if (sheets.find(DriveSheet.class, drive.get().sheet()).isEmpty()) {
      missing.add("the drive sheet '" + drive.get().sheet() + "'");
    }
    if (chosen(axis.motor()).flatMap(project::motor).isEmpty()) {
      missing.add("a motor");
    }
    return missing;
  }

  private static Optional<String> chosen(@Nullable String id) {
    return Optional.ofNullable(id);
  }
}
