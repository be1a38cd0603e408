package unimotus.core.review;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Drive;
import unimotus.core.machine.FieldbusLink;
import unimotus.core.machine.MotionDesign;
import unimotus.core.machine.Project;
import unimotus.core.machine.SafetyNote;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SheetCatalogue;

/**
 * What only shows on the whole line: points, drives and motors claimed by two axes, unit numbers
 * given twice, and the bypasses that stand on record.
 */
final class LineChecks {
  private LineChecks() {}

  /** Findings by axis id; axes without any are left out. */
  static Map<String, List<Finding>> check(Project project, SheetCatalogue sheets) {
    Map<String, Axis> owners = new HashMap<>();
    Map<String, List<Finding>> found = new HashMap<>();
    for (Axis axis : project.axes()) {
      claim(owners, found, axis, "output", axis.controller(), axis.reference().output());
      claim(
          owners,
          found,
          axis,
          "input",
          axis.controller(),
          axis.answer().isWired() ? axis.answer().input() : null);
      claim(owners, found, axis, "motor", axis.motor(), "");
      MotionDesign motion = axis.motion();
      claim(
          owners,
          found,
          axis,
          "drive axis",
          axis.drive(),
          motion == null ? null : "axis %d".formatted(motion.driveAxis()));
    }
    drives(project, sheets, found);
    Map<String, Axis> units = new HashMap<>();
    project.axes().forEach(axis -> unit(project, units, found, axis));
    project.notes().stream()
        .filter(SafetyNote::isStanding)
        .forEach(n -> found.computeIfAbsent(n.axis(), a -> new ArrayList<>()).add(bypass(n)));
    return found;
  }

  /** A drive runs as many axes as its sheet says. */
  private static void drives(
      Project project, SheetCatalogue sheets, Map<String, List<Finding>> found) {
    for (Drive drive : project.drives()) {
      int most =
          sheets.find(DriveSheet.class, drive.sheet()).map(s -> s.driveKind().axes()).orElse(1);
      List<Axis> axes = project.axes().stream().filter(a -> drive.id().equals(a.drive())).toList();
      for (Axis more : axes.subList(Math.min(most, axes.size()), axes.size())) {
        add(found, more, "drive " + drive.id(), axes.get(0));
        add(found, axes.get(0), "drive " + drive.id(), more);
      }
    }
  }

  private static Finding bypass(SafetyNote note) {
    return new Finding(
        Severity.WARNING,
        Rule.STANDING_BYPASS,
        "axis/%s/stop".formatted(note.axis()),
        "bypassed since %s by %s: %s".formatted(note.at(), note.by(), note.text()),
        "The stop does not protect anybody while it is bypassed.",
        "Take the bypass away, record it as removed and prove the stop again.");
  }

  /** Drives of one controller whose registers are known; the others are not asked. */
  private static void unit(
      Project project, Map<String, Axis> units, Map<String, List<Finding>> found, Axis axis) {
    if (axis.controller() == null || axis.drive() == null) {
      return;
    }
    FieldbusLink link = project.record(axis.drive()).fieldbus();
    if (link.registers().isEmpty()) {
      return;
    }
    Axis first = units.putIfAbsent(axis.controller() + "/" + link.unit(), axis);
    if (first != null && !axis.drive().equals(first.drive())) {
      sameUnit(found, axis, link.unit(), first);
      sameUnit(found, first, link.unit(), axis);
    }
  }

  private static void sameUnit(Map<String, List<Finding>> found, Axis axis, int unit, Axis other) {
    found
        .computeIfAbsent(axis.id(), a -> new ArrayList<>())
        .add(
            new Finding(
                Severity.WARNING,
                Rule.UNIT_TWICE,
                "axis/%s/fieldbus".formatted(axis.id()),
                "unit %d is that of %s as well".formatted(unit, other.name()),
                "On one serial line both answer at once and neither is understood.",
                "Give each drive a number of its own; over TCP an address of its own will do."));
  }

  private static void claim(
      Map<String, Axis> owners,
      Map<String, List<Finding>> found,
      Axis axis,
      String kind,
      @Nullable String device,
      @Nullable String point) {
    if (device == null || point == null) {
      return;
    }
    Axis first = owners.putIfAbsent(kind + "/" + device + "/" + point, axis);
    if (first != null) {
      String name = point.isEmpty() ? kind + " " + device : point + " of " + device;
      add(found, axis, name, first);
      add(found, first, name, axis);
    }
  }

  private static void add(Map<String, List<Finding>> found, Axis axis, String name, Axis other) {
    found
        .computeIfAbsent(axis.id(), a -> new ArrayList<>())
        .add(
            new Finding(
                Severity.ERROR,
                Rule.USED_TWICE,
                "axis/" + axis.id(),
                "%s is used by %s as well".formatted(name, other.name()),
                "The two axes pull the same wire: whichever writes last wins.",
                "Give each axis a point, a drive and a motor of its own."));
  }
}
