package unimotus.benchmarks;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Controller;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Motor;
import unimotus.core.machine.Project;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.workbench.Demo;

/** A line of many axes, each a copy of the demo's rinse drum with a controller of its own. */
final class LongLine {
  private LongLine() {}

  static Project of(int axes, int wires) {
    Project demo = Demo.project();
    List<Controller> controllers = new ArrayList<>();
    List<Drive> drives = new ArrayList<>();
    List<Motor> motors = new ArrayList<>();
    List<Axis> all = new ArrayList<>();
    List<Wire> joined = new ArrayList<>();
    Controller controller = demo.controllers().get(0);
    Drive drive = demo.drive("pump-drive").orElseThrow();
    Motor motor = demo.motor("pump-motor").orElseThrow();
    Axis axis = demo.axis("header-pump").orElseThrow();
    List<Wire> own = demo.wires().stream().filter(w -> w.touches("pump-drive")).toList();
    for (int i = 0; i < axes; i++) {
      controllers.add(
          new Controller(
              "plc-" + i, controller.name(), controller.sheet(), controller.selectors()));
      drives.add(
          new Drive(
              "drive-" + i, drive.name(), drive.sheet(), drive.selectors(), drive.settings()));
      motors.add(new Motor("motor-" + i, motor.name(), motor.plate()));
      all.add(
          new Axis(
              "axis-" + i,
              axis.name(),
              "",
              "plc-" + i,
              "drive-" + i,
              "motor-" + i,
              axis.reference(),
              axis.answer(),
              axis.mechanics(),
              axis.load()));
      for (int n = 0; joined.size() < (i + 1) * wires / axes; n++) {
        joined.add(copy(own.get(n % own.size()), i, joined.size()));
      }
    }
    return new Project(
        "Long line",
        controllers,
        drives,
        List.of(),
        motors,
        all,
        joined,
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of());
  }

  private static Wire copy(Wire wire, int axis, int number) {
    return new Wire("w" + number, moved(wire.from(), axis), moved(wire.to(), axis));
  }

  private static TerminalRef moved(TerminalRef ref, int axis) {
    return new TerminalRef(
        ref.device().equals("pump-drive") ? "drive-" + axis : "plc-" + axis, ref.terminal());
  }
}
