package unimotus.workbench;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.core.analog.SignalRange;
import unimotus.core.machine.Answer;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Controller;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Ids;
import unimotus.core.machine.Load;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.MotionDesign;
import unimotus.core.machine.Motor;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reference;
import unimotus.core.motor.FieldFigures;
import unimotus.core.settings.DerivedSettings;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.ControllerSheet;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveKind;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.MotorPlate;
import unimotus.core.sheet.MotorSheet;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/**
 * The few things to say for a first axis; everything that follows from them is filled in.
 *
 * @param name what the axis is called
 * @param controllerSheet class of the controller; one of that class already in the line is shared
 * @param driveSheet class of the drive
 * @param motorSheet class of the motor, whose plate is taken over
 * @param mains what the drive is fed from
 * @param range signal of the speed reference
 * @param mechanics what is moved
 * @param speedAtFull machine speed at 100 %, in the unit of the mechanics
 */
public record AxisDraft(
    String name,
    String controllerSheet,
    String driveSheet,
    String motorSheet,
    Mains mains,
    SignalRange range,
    Mechanics mechanics,
    double speedAtFull) {

  /** Steps of machine speed worth having, as share of full speed (common practice). */
  private static final double WANTED_STEP_SHARE = 0.002;

  /**
   * A motor without a frequency has a reference without one; it has to be a number all the same.
   */
  private static final double STEPPED_HERTZ = 50;

  /** This draft with a drive of another class. */
  public AxisDraft withDriveSheet(String sheet) {
    return new AxisDraft(
        name, controllerSheet, sheet, motorSheet, mains, range, mechanics, speedAtFull);
  }

  /** The edit that adds the axis, its devices, its channel and the settings that follow. */
  public Edit edit(SheetCatalogue sheets) {
    return new Edit("add axis " + name, p -> addTo(p, sheets));
  }

  /** The id the axis gets in this project. */
  public String axisId(Project project) {
    return Ids.from(name, project.axes().stream().map(Axis::id).toList());
  }

  private Project addTo(Project project, SheetCatalogue sheets) {
    ControllerSheet controllerKind = sheet(sheets, ControllerSheet.class, controllerSheet);
    DriveSheet driveKind = sheet(sheets, DriveSheet.class, driveSheet);
    MotorSheet motorKind = sheet(sheets, MotorSheet.class, motorSheet);
    if (!driveKind.driveKind().runs(motorKind.plate().kind())) {
      throw new IllegalArgumentException(
          "%s is a %s, %s runs %s"
              .formatted(
                  motorKind.name(),
                  motorKind.plate().kind().label(),
                  driveKind.name(),
                  driveKind.driveKind().motors()));
    }
    MotorPlate plate = motorKind.plate();
    List<String> devices = new ArrayList<>();
    project.controllers().forEach(c -> devices.add(c.id()));
    project.drives().forEach(d -> devices.add(d.id()));

    Controller controller = sharedController(project, controllerKind, devices);
    boolean byPulses = driveKind.driveKind() instanceof DriveKind.Step;
    String output = byPulses ? null : freeOutput(project, controller, controllerKind);
    Drive drive =
        new Drive(
            Ids.from(name + " drive", devices),
            name + " drive",
            driveKind.id(),
            Map.of(),
            Map.of());
    String input = inputFor(driveKind);
    drive = setInputKind(drive, driveKind, input);
    Motor motor =
        new Motor(
            Ids.from(name + " motor", project.motors().stream().map(Motor::id).toList()),
            name + " motor",
            plate);
    Axis axis = axis(project, controller, controllerKind, drive, motor, output, input);
    if (byPulses) {
      axis = axis.withMotion(moving(mechanics));
    }
    controller = setRange(controller, controllerKind, output);
    Project with = project.with(controller).with(drive).with(motor).with(axis);
    if (mains != Mains.NOT_KNOWN) {
      with = with.with(mains.on(with.record(drive.id()), driveKind));
    }
    return withDerived(with, sheets, axis);
  }

  /** A turn of the gear's output a second, reached in half a second: a place to begin from. */
  private static MotionDesign moving(Mechanics mechanics) {
    double turn = mechanics.travelPerTurn();
    return MotionDesign.begin(turn, 2 * turn);
  }

  private Axis axis(
      Project project,
      Controller controller,
      ControllerSheet controllerKind,
      Drive drive,
      Motor motor,
      @Nullable String output,
      @Nullable String input) {
    int fullScale =
        controllerKind
            .selector(SelectorRole.RAW_FULL_SCALE, String.valueOf(output))
            .map(s -> controller.selectors().getOrDefault(s.id(), s.initial()))
            .map(Integer::parseInt)
            .orElse(27648);
    double top = FieldFigures.of(motor.plate()).map(FieldFigures::ratedHertz).orElse(STEPPED_HERTZ);
    return new Axis(
        axisId(project),
        name,
        "",
        controller.id(),
        drive.id(),
        motor.id(),
        new Reference(
            output,
            input,
            0,
            speedAtFull,
            0,
            top,
            fullScale,
            WANTED_STEP_SHARE * Math.abs(speedAtFull)),
        new Answer(null, null, Math.abs(speedAtFull), fullScale),
        mechanics,
        Load.NONE);
  }

  private Controller sharedController(Project project, ControllerSheet kind, List<String> taken) {
    return project.controllers().stream()
        .filter(c -> c.sheet().equals(kind.id()))
        .findFirst()
        .orElseGet(
            () -> new Controller(Ids.from("controller", taken), "Controller", kind.id(), Map.of()));
  }

  private static @Nullable String freeOutput(
      Project project, Controller controller, ControllerSheet kind) {
    List<String> used =
        project.axes().stream()
            .filter(a -> controller.id().equals(a.controller()))
            .map(a -> a.reference().output())
            .filter(Objects::nonNull)
            .toList();
    return kind.terminals().stream()
        .filter(t -> t.role() == TerminalRole.ANALOG_OUTPUT && !used.contains(t.id()))
        .map(Terminal::id)
        .findFirst()
        .orElse(null);
  }

  /** The first input of the drive that can be set to the range. */
  private @Nullable String inputFor(DriveSheet kind) {
    return kind.terminals().stream()
        .filter(t -> t.role() == TerminalRole.ANALOG_INPUT)
        .map(Terminal::id)
        .filter(t -> offers(kind, t) && canTakeKind(kind, t))
        .findFirst()
        .orElse(null);
  }

  private boolean offers(DriveSheet kind, String terminal) {
    return kind.setting(SettingRole.ANALOG_RANGE, terminal)
        .filter(
            s -> s instanceof ChoiceSetting c && c.takes(new SettingValue.Choice(range.label())))
        .isPresent();
  }

  /** An input without a switch takes volts only. */
  private boolean canTakeKind(DriveSheet kind, String terminal) {
    return !range.isCurrent() || kind.selector(SelectorRole.INPUT_KIND, terminal).isPresent();
  }

  private Drive setInputKind(Drive drive, DriveSheet kind, @Nullable String input) {
    Optional<Selector> selector = kind.selector(SelectorRole.INPUT_KIND, String.valueOf(input));
    return selector
        .map(
            s ->
                drive.withSelector(
                    s.id(), (range.isCurrent() ? Option.CURRENT : Option.VOLTAGE).word()))
        .orElse(drive);
  }

  private Controller setRange(
      Controller controller, ControllerSheet kind, @Nullable String output) {
    return kind.selector(SelectorRole.CHANNEL_RANGE, String.valueOf(output))
        .map(s -> controller.withSelector(s.id(), range.label()))
        .orElse(controller);
  }

  private static Project withDerived(Project project, SheetCatalogue sheets, Axis axis) {
    AxisAssembly assembly = AxisAssembly.of(project, sheets, axis).orElseThrow();
    Drive drive = assembly.drive();
    for (Map.Entry<String, SettingValue> entry : DerivedSettings.of(assembly).entrySet()) {
      drive = drive.withSetting(entry.getKey(), entry.getValue());
    }
    return project.with(drive);
  }

  private static <T extends DeviceSheet> T sheet(SheetCatalogue sheets, Class<T> kind, String id) {
    return sheets
        .find(kind, id)
        .orElseThrow(
            () ->
                new IllegalArgumentException("there is no device sheet '" + id + "' of that kind"));
  }
}
