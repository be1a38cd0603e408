package unimotus.core.stops.adversary;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import unimotus.core.FixtureSheets;
import unimotus.core.Lines;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.machine.StopUse;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.stops.JudgedStop;

/** A plain panel as the program's own project. */
final class Panels {
  static final SheetCatalogue SHEETS = FixtureSheets.catalogue();

  private Panels() {}

  static Project project(Panel panel) {
    Project project = Lines.bare("controller-modular", panel.sheets.get("drive"));
    Drive drive = project.drives().get(0);
    project = project.with(drive.withSelector("sto.jumper", jumper(panel)));
    for (Map.Entry<String, String> device : panel.sheets.entrySet()) {
      String id = device.getKey();
      if (id.equals("drive2")) {
        project =
            project.with(
                new Drive(
                    id, id, device.getValue(), Map.of("sto.jumper", jumper(panel)), Map.of()));
      } else if (!id.equals("plc") && !id.equals("drive")) {
        project = project.with(new Part(id, id, device.getValue(), selectors(panel, id)));
      }
    }
    List<Wire> wires = new ArrayList<>();
    for (String[] wire : panel.wires) {
      wires.add(new Wire("w" + (wires.size() + 1), Lines.ref(wire[0]), Lines.ref(wire[1])));
    }
    return project.withWires(wires).with(stop(panel));
  }

  /** Where contactors stop, safe torque off stays bridged as it left the works. */
  private static String jumper(Panel panel) {
    return panel.jumper || panel.effect != Panel.Effect.STO ? "fitted" : "removed";
  }

  private static Map<String, String> selectors(Panel panel, String id) {
    if (!id.equals(panel.relay)) {
      return Map.of();
    }
    String reset = panel.manual ? "manual" : "automatic";
    return panel.sheets.get(id).equals("safety-relay")
        ? Map.of("reset", reset, "cross", panel.crossFault ? "on" : "off")
        : Map.of("reset", reset);
  }

  private static StopFunction stop(Panel panel) {
    boolean contactors = panel.effect == Panel.Effect.CONTACTORS;
    return new StopFunction(
        "stop",
        "Stop",
        Lines.AXIS,
        StopTrigger.EMERGENCY_STOP,
        panel.relay.isEmpty()
            ? StopLogic.DIRECT
            : contactors ? StopLogic.RELAY_CONTACTORS : StopLogic.SAFETY_RELAY,
        contactors ? StopEffect.CONTACTORS : StopEffect.STO,
        panel.triggers,
        panel.relay.isEmpty() ? null : panel.relay,
        panel.reset.isEmpty() ? null : panel.reset,
        panel.contactors,
        false,
        false,
        400,
        StopUse.USUAL);
  }

  static AxisAssembly axis(Project project) {
    return AxisAssembly.of(project, SHEETS, project.axes().get(0)).orElseThrow();
  }

  static JudgedStop judged(Project project) {
    AxisAssembly axis = axis(project);
    return JudgedStop.of(axis, axis.stops().get(0));
  }
}
