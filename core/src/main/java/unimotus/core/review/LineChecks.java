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
import unimotus.core.machine.Project;

/** What only shows when axes are compared: points, drives and motors claimed by two of them. */
final class LineChecks {
  private LineChecks() {}

  /** Findings by axis id; axes without any are left out. */
  static Map<String, List<Finding>> check(Project project) {
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
      claim(owners, found, axis, "drive", axis.drive(), "");
      claim(owners, found, axis, "motor", axis.motor(), "");
    }
    return found;
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
