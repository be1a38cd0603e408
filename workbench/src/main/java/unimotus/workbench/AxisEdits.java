package unimotus.workbench;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
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

/** The named changes of whole axes: name, place, copy, removal. */
public final class AxisEdits {
  private AxisEdits() {}

  /** Puts an axis so many places further down the line; at the ends it stays. */
  public static Edit move(Axis axis, int places) {
    return new Edit(
        "move %s %s".formatted(axis.name(), places < 0 ? "up" : "down"),
        p -> {
          List<Axis> axes = new ArrayList<>(p.axes());
          int from = place(p, axis);
          int to = Math.max(0, Math.min(axes.size() - 1, from + places));
          axes.add(to, axes.remove(from));
          return p.withAxes(axes);
        });
  }

  /**
   * Removes an axis with all that only it uses: drive, motor, panel parts, wires, stops, readings.
   */
  public static Edit remove(SheetCatalogue sheets, Axis axis) {
    return new Edit("remove " + axis.name(), p -> without(p, sheets, axis));
  }

  private static Project without(Project project, SheetCatalogue sheets, Axis axis) {
    Project next = project;
    for (String part : ownParts(project, sheets, axis)) {
      next = next.withoutPart(part);
    }
    return next.withoutAxis(axis.id());
  }

  /** The panel parts that hang on this axis and on no other. */
  private static Set<String> ownParts(Project project, SheetCatalogue sheets, Axis axis) {
    Set<String> own = new LinkedHashSet<>(parts(project, sheets, axis));
    project.axes().stream()
        .filter(a -> !a.id().equals(axis.id()))
        .forEach(a -> own.removeAll(parts(project, sheets, a)));
    return own;
  }

  private static Set<String> parts(Project project, SheetCatalogue sheets, Axis axis) {
    return AxisAssembly.of(project, sheets, axis).stream()
        .flatMap(a -> a.parts().stream())
        .map(p -> p.part().id())
        .collect(Collectors.toCollection(LinkedHashSet::new));
  }

  /** What goes along when an axis is removed, in words; possibly empty. */
  public static List<String> goingAlong(Project project, SheetCatalogue sheets, Axis axis) {
    Project next = without(project, sheets, axis);
    List<String> words = new ArrayList<>();
    Set<String> kept = new HashSet<>();
    next.devices().forEach(d -> kept.add(d.id()));
    next.motors().forEach(m -> kept.add(m.id()));
    project.devices().stream()
        .filter(d -> !kept.contains(d.id()))
        .forEach(d -> words.add(d.name()));
    project.motors().stream().filter(m -> !kept.contains(m.id())).forEach(m -> words.add(m.name()));
    count(words, project.wires().size() - next.wires().size(), "wire");
    count(words, project.stops().size() - next.stops().size(), "stop");
    count(words, project.readings().size() - next.readings().size(), "reading");
    return words;
  }

  private static void count(List<String> words, int count, String what) {
    if (count > 0) {
      words.add("%d %s%s".formatted(count, what, count == 1 ? "" : "s"));
    }
  }

  /**
   * Adds a copy of an axis behind it: drive with its settings, motor, mechanics, load, on the same
   * controller. Run and reference are wired to free points where {@link #unwiredBecause} says
   * nothing against it; stops and readings are not copied.
   */
  public static Edit duplicate(SheetCatalogue sheets, Axis axis) {
    return new Edit(
        "duplicate " + axis.name(),
        p -> {
          Project copied = copied(p, axis);
          Axis copy = copied.axes().get(place(copied, axis) + 1);
          return unwiredBecause(copied, sheets, axis, copy).isPresent()
              ? copied
              : ranged(wired(copied, sheets, copy), sheets, axis, copy.id());
        });
  }

  /**
   * Why a copy is not wired like its original; empty where it is, or could be. A copy is wired only
   * where that leaves its drive set as the original's is: one that is commanded over a fieldbus, by
   * a keypad or by a latched start is not made into another.
   *
   * @param was the original
   * @param copy the copy, without a wire
   */
  public static Optional<String> unwiredBecause(
      Project project, SheetCatalogue sheets, Axis was, Axis copy) {
    if (copy.drive() == null || copy.controller() == null || copy.motor() == null) {
      return Optional.of("it is not complete");
    }
    try {
      Project wired = wired(project, sheets, copy);
      boolean same =
          drive(wired, copy).settings().equals(drive(project, was).settings())
              && drive(wired, copy).selectors().equals(drive(project, was).selectors())
              && was.reference().local() == null;
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

  private static int place(Project project, Axis axis) {
    List<String> ids = project.axes().stream().map(Axis::id).toList();
    int place = ids.indexOf(axis.id());
    if (place < 0) {
      throw new IllegalArgumentException("axis '%s' is no longer there".formatted(axis.name()));
    }
    return place;
  }

  /** The copy's output of the controller stands at the range of the original's. */
  private static Project ranged(Project project, SheetCatalogue sheets, Axis was, String copy) {
    String from = was.reference().output();
    Axis now = project.axis(copy).orElseThrow();
    String to = now.reference().output();
    AxisAssembly original = AxisAssembly.of(project, sheets, was).orElse(null);
    if (from == null || to == null || original == null) {
      return project;
    }
    ControllerSheet sheet = original.controllerSheet();
    Controller controller = original.controller();
    for (Selector selector : sheet.selectors()) {
      String position = controller.selectors().get(selector.id());
      if (from.equals(selector.terminal()) && position != null) {
        for (Selector other : sheet.selectors()) {
          if (to.equals(other.terminal()) && other.role() == selector.role()) {
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

  private static Project copied(Project project, Axis axis) {
    Set<String> names = new HashSet<>();
    project.axes().forEach(a -> names.add(a.name()));
    int number = 2;
    while (names.contains(axis.name() + " " + number)) {
      number++;
    }
    String name = axis.name() + " " + number;
    Project next = project;
    String driveId = null;
    Optional<Drive> drive = Optional.ofNullable(axis.drive()).flatMap(project::drive);
    if (drive.isPresent()) {
      driveId = Ids.from(name + " drive", taken(next));
      Drive was = drive.get();
      next =
          next.with(
              new Drive(driveId, name + " drive", was.sheet(), was.selectors(), was.settings()));
      DriveRecord record = project.record(was.id());
      if (record.feed() != null) {
        next = next.with(next.record(driveId).withFeed(record.feed()));
      }
    }
    String motorId = null;
    Optional<Motor> motor = Optional.ofNullable(axis.motor()).flatMap(project::motor);
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
            axis.controller(),
            driveId,
            motorId,
            reference.withTerminals(null, reference.input()),
            axis.answer().withTerminals(axis.answer().output(), null),
            axis.mechanics(),
            axis.load());
    List<Axis> axes = new ArrayList<>(next.axes());
    axes.add(place(project, axis) + 1, copy);
    return next.withAxes(axes);
  }

  private static List<String> taken(Project project) {
    List<String> taken = new ArrayList<>();
    project.devices().forEach(d -> taken.add(d.id()));
    project.motors().forEach(m -> taken.add(m.id()));
    return taken;
  }
}
