package unimotus.workbench;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.sheet.SheetCatalogue;

/** The named changes of whole axes: place and removal. */
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
    count(words, project.stations().size() - next.stations().size(), "station");
    count(words, project.stops().size() - next.stops().size(), "stop");
    count(words, project.readings().size() - next.readings().size(), "reading");
    return words;
  }

  private static void count(List<String> words, int count, String what) {
    if (count > 0) {
      words.add("%d %s%s".formatted(count, what, count == 1 ? "" : "s"));
    }
  }

  static int place(Project project, Axis axis) {
    List<String> ids = project.axes().stream().map(Axis::id).toList();
    int place = ids.indexOf(axis.id());
    if (place < 0) {
      throw new IllegalArgumentException("axis '%s' is no longer there".formatted(axis.name()));
    }
    return place;
  }
}
