package unimotus.workbench;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Controller;
import unimotus.core.machine.Drive;
import unimotus.core.machine.DriveRecord;
import unimotus.core.machine.Ids;
import unimotus.core.machine.Motor;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reference;
import unimotus.core.sheet.ControllerSheet;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.way.LinkIntents;

/** Axes copied: beside the original, or into another project. */
public final class AxisCopies {
  private AxisCopies() {}

  /**
   * Adds a copy of an axis behind it: drive with its settings, motor, mechanics, load, on the same
   * controller. Run and reference are wired to free points where {@link #unwiredBecause} says
   * nothing against it; stops, readings and sequences are not copied.
   */
  public static Edit duplicate(SheetCatalogue sheets, Axis axis) {
    return new Edit(
        "duplicate " + axis.name(),
        p ->
            copied(
                p, sheets, new Source(p, axis), axis.controller(), AxisEdits.place(p, axis) + 1));
  }

  /** An axis alone, with what it is made of but its wires, as it goes over the clipboard. */
  public static Project alone(Project project, Axis axis) {
    Project next = Project.empty(axis.name());
    Optional<Controller> controller =
        Optional.ofNullable(axis.controller()).flatMap(project::controller);
    if (controller.isPresent()) {
      next = next.with(controller.get());
    }
    Optional<Drive> drive = Optional.ofNullable(axis.drive()).flatMap(project::drive);
    if (drive.isPresent()) {
      next = next.with(drive.get()).with(project.record(drive.get().id()));
    }
    Optional<Motor> motor = Optional.ofNullable(axis.motor()).flatMap(project::motor);
    if (motor.isPresent()) {
      next = next.with(motor.get());
    }
    return next.with(axis);
  }

  /**
   * Adds the axis of another project at the end, on a controller of its class – one of its own
   * where the line has none – and wired as a copy is.
   *
   * @param other a project with one axis, from {@link #alone}
   * @throws IllegalArgumentException where it has not exactly one axis
   */
  public static Edit paste(SheetCatalogue sheets, Project other) {
    if (other.axes().size() != 1) {
      throw new IllegalArgumentException(
          "the clipboard holds a line with %d axes: copy one axis".formatted(other.axes().size()));
    }
    Axis axis = other.axes().get(0);
    return new Edit(
        "paste " + axis.name(),
        p -> {
          Project next = withController(p, other, axis);
          return copied(
              next,
              sheets,
              new Source(other, axis),
              controllerFor(next, other, axis).map(Controller::id).orElse(null),
              next.axes().size());
        });
  }

  private static Optional<Controller> controllerFor(Project into, Project from, Axis axis) {
    Optional<Controller> was = Optional.ofNullable(axis.controller()).flatMap(from::controller);
    return was.flatMap(
        c -> into.controllers().stream().filter(o -> o.sheet().equals(c.sheet())).findFirst());
  }

  private static Project withController(Project into, Project from, Axis axis) {
    Optional<Controller> was = Optional.ofNullable(axis.controller()).flatMap(from::controller);
    if (was.isEmpty() || controllerFor(into, from, axis).isPresent()) {
      return into;
    }
    return into.with(
        new Controller(
            Ids.from(was.get().name(), taken(into)),
            was.get().name(),
            was.get().sheet(),
            Map.of()));
  }

  /** Where a copy comes from. */
  private record Source(Project project, Axis axis) {
    Drive drive() {
      return AxisCopies.drive(project, axis);
    }
  }

  private static Project copied(
      Project into, SheetCatalogue sheets, Source from, @Nullable String controller, int at) {
    Project copied = added(into, from, controller, at);
    Axis copy = copied.axes().get(at);
    return unwiredBecause(copied, sheets, from, copy).isPresent()
        ? copied
        : ranged(wired(copied, sheets, copy), sheets, from, copy.id());
  }

  /**
   * Why a copy is not wired like its original; empty where it is, or could be. A copy is wired only
   * where that leaves its drive set as the original's is: one that is commanded over a fieldbus, by
   * a keypad or by a latched start is not made into another.
   *
   * @param was the original, of the same project
   * @param copy the copy, without a wire
   */
  public static Optional<String> unwiredBecause(
      Project project, SheetCatalogue sheets, Axis was, Axis copy) {
    return unwiredBecause(project, sheets, new Source(project, was), copy);
  }

  /** Why a pasted axis is not wired as it was in the project it came from; empty where it is. */
  public static Optional<String> unwiredBecause(
      Project project, SheetCatalogue sheets, Project other, Axis copy) {
    return unwiredBecause(project, sheets, new Source(other, other.axes().get(0)), copy);
  }

  private static Optional<String> unwiredBecause(
      Project project, SheetCatalogue sheets, Source from, Axis copy) {
    if (copy.drive() == null || copy.controller() == null || copy.motor() == null) {
      return Optional.of("it is not complete");
    }
    try {
      Project wired = wired(project, sheets, copy);
      boolean same =
          drive(wired, copy).settings().equals(from.drive().settings())
              && drive(wired, copy).selectors().equals(from.drive().selectors())
              && from.axis().reference().local() == null;
      return same
          ? Optional.empty()
          : Optional.of("its drive is commanded otherwise than over two wires and a signal");
    } catch (IllegalArgumentException missing) {
      return Optional.of(String.valueOf(missing.getMessage()));
    }
  }

  private static Drive drive(Project project, Axis axis) {
    return Optional.ofNullable(axis.drive()).flatMap(project::drive).orElseThrow();
  }

  /** The copy's output of the controller stands at the range of the original's. */
  private static Project ranged(
      Project project, SheetCatalogue sheets, Source source, String copy) {
    String from = source.axis().reference().output();
    Axis now = project.axis(copy).orElseThrow();
    String to = now.reference().output();
    AxisAssembly original = AxisAssembly.of(source.project(), sheets, source.axis()).orElse(null);
    if (from == null || to == null || original == null) {
      return project;
    }
    ControllerSheet sheet = original.controllerSheet();
    Controller controller = project.controller(String.valueOf(now.controller())).orElseThrow();
    for (Selector selector : sheet.selectors()) {
      // As it stands there, set or not: the free channel here may have been set for something else.
      String position = selector.positionIn(original.controller().selectors());
      if (from.equals(selector.terminal())) {
        for (Selector other : sheet.selectors()) {
          boolean same = to.equals(other.terminal()) && other.role() == selector.role();
          if (same && !other.positionIn(controller.selectors()).equals(position)) {
            controller = controller.withSelector(other.id(), position);
          }
        }
      }
    }
    return project.with(controller);
  }

  private static Project wired(Project project, SheetCatalogue sheets, Axis axis) {
    return LinkIntents.planFirstAxis(project, sheets, axis.id()).project();
  }

  private static String freeName(Project project, String name) {
    Set<String> names = new HashSet<>();
    project.axes().forEach(a -> names.add(a.name()));
    if (!names.contains(name)) {
      return name;
    }
    int number = 2;
    while (names.contains(name + " " + number)) {
      number++;
    }
    return name + " " + number;
  }

  private static Project added(Project project, Source from, @Nullable String controller, int at) {
    Axis axis = from.axis();
    String name = freeName(project, axis.name());
    Project next = project;
    String driveId = null;
    Optional<Drive> drive = Optional.ofNullable(axis.drive()).flatMap(from.project()::drive);
    if (drive.isPresent()) {
      driveId = Ids.from(name + " drive", taken(next));
      Drive was = drive.get();
      next =
          next.with(
              new Drive(driveId, name + " drive", was.sheet(), was.selectors(), was.settings()));
      DriveRecord record = from.project().record(was.id());
      if (record.feed() != null) {
        next = next.with(next.record(driveId).withFeed(record.feed()));
      }
    }
    String motorId = null;
    Optional<Motor> motor = Optional.ofNullable(axis.motor()).flatMap(from.project()::motor);
    if (motor.isPresent()) {
      motorId = Ids.from(name + " motor", taken(next));
      next = next.with(new Motor(motorId, name + " motor", motor.get().plate()));
    }
    Reference reference = axis.reference();
    Axis copy =
        new Axis(
            Ids.from(name, next.axes().stream().map(Axis::id).toList()),
            name,
            axis.note(),
            controller,
            driveId,
            motorId,
            reference.withTerminals(null, reference.input()),
            axis.answer().withTerminals(axis.answer().output(), null),
            axis.mechanics(),
            axis.load(),
            axis.group(),
            // Nobody has read the scaling of devices that are new; its drive is one of its own.
            axis.motion() == null ? null : axis.motion().unread().withDriveAxis(1));
    List<Axis> axes = new ArrayList<>(next.axes());
    axes.add(at, copy);
    return next.withAxes(axes);
  }

  private static List<String> taken(Project project) {
    List<String> taken = new ArrayList<>();
    project.devices().forEach(d -> taken.add(d.id()));
    project.motors().forEach(m -> taken.add(m.id()));
    return taken;
  }
}
