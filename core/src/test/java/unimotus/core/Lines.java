package unimotus.core;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import unimotus.core.link.LinkIntent;
import unimotus.core.link.LinkPlanner;
import unimotus.core.link.LinkRequest;
import unimotus.core.machine.Answer;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Controller;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Load;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.Motor;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reference;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.SheetCatalogue;

/** One axis of fixture devices, to be wired by intent. */
public final class Lines {
  public static final SheetCatalogue SHEETS = FixtureSheets.catalogue();
  public static final String AXIS = "belt";

  private Lines() {}

  /** An axis with nothing wired; the works jumper fitted. */
  public static Project bare(String controllerSheet, String driveSheet) {
    Controller controller = new Controller("plc", "Controller", controllerSheet, Map.of());
    Drive drive = new Drive("drive", "Drive", driveSheet, Map.of(), Map.of());
    Motor motor = new Motor("motor", "Motor", Fixtures.PLATE);
    Axis axis =
        new Axis(
            AXIS,
            "Belt",
            "",
            "plc",
            "drive",
            "motor",
            new Reference(null, null, 0, 25, 0, 50, 27648, 0.05),
            new Answer(null, null, 25, 27648),
            new Mechanics.Drum(40, 0.3),
            Load.NONE);
    return new Project(
        "Line",
        List.of(controller),
        List.of(drive),
        List.of(),
        List.of(motor),
        List.of(axis),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of());
  }

  /** The same with these links wired, of devices in {@code sheets}. */
  public static Project with(SheetCatalogue sheets, Project project, LinkIntent... kinds) {
    Project next = project;
    for (LinkIntent kind : kinds) {
      next = LinkPlanner.plan(next, sheets, LinkRequest.of(AXIS, kind)).project();
    }
    return next;
  }

  public static Project with(Project project, LinkIntent... kinds) {
    return with(SHEETS, project, kinds);
  }

  /** Its axis, with everything looked up in {@code sheets}. */
  public static AxisAssembly axis(SheetCatalogue sheets, Project project) {
    return AxisAssembly.of(project, sheets, project.axes().get(0)).orElseThrow();
  }

  public static AxisAssembly axis(Project project) {
    return axis(SHEETS, project);
  }

  /** With more wires, such as {@code drive:P24 – drive:STO1}. */
  public static Project plus(Project project, String... wires) {
    Project next = project;
    for (String wire : wires) {
      String[] ends = wire.split(" – ");
      next = next.with(new Wire(free(next), ref(ends[0]), ref(ends[1])));
    }
    return next;
  }

  private static String free(Project project) {
    int number = project.wires().size();
    String id = "x" + number;
    while (isTaken(project, id)) {
      number++;
      id = "x" + number;
    }
    return id;
  }

  private static boolean isTaken(Project project, String wire) {
    return project.wires().stream().anyMatch(w -> w.id().equals(wire));
  }

  /** Without the wires on a terminal, of which there is one at least. */
  public static Project minus(Project project, String terminal) {
    List<Wire> rest = new ArrayList<>(project.wires());
    if (!rest.removeIf(w -> w.touches(ref(terminal)))) {
      throw new IllegalArgumentException("no wire on " + terminal);
    }
    return project.withWires(rest);
  }

  public static TerminalRef ref(String text) {
    String[] halves = text.split(":", 2);
    return new TerminalRef(halves[0], halves[1]);
  }
}
