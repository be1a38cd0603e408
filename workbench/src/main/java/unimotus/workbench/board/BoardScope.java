package unimotus.workbench.board;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Controller;
import unimotus.core.machine.Motor;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.PlacedDevice;

/**
 * Chooses what is on the board: the devices of one axis or of the line, and of their terminals
 * those that are wired, with the next free ones beside them, or all. Power and control are never on
 * one board: each has its own.
 */
public final class BoardScope {
  private final Project project;
  private final Installation installation;
  private final @Nullable AxisAssembly axis;
  private final boolean allPoints;
  private final boolean power;
  private final Set<TerminalRef> wired = new HashSet<>();

  /**
   * @param power whether the board shows the power side and not the control side
   */
  public BoardScope(
      Project project,
      Installation installation,
      @Nullable AxisAssembly axis,
      boolean allPoints,
      boolean power) {
    this.project = project;
    this.installation = installation;
    this.axis = axis;
    this.allPoints = allPoints;
    this.power = power;
    for (Wire wire : project.wires()) {
      wired.add(wire.from());
      wired.add(wire.to());
    }
  }

  /** What is on the board, of the line or of the axis. */
  public BoardContents of(boolean wholeLine) {
    List<PlacedDevice> devices = new ArrayList<>();
    List<Wire> wires =
        (wholeLine || axis == null ? project.wires() : axis.wires())
            .stream().filter(w -> installation.isPower(w) == power).toList();
    for (PlacedDevice device : installation.devices()) {
      if ((wholeLine || belongs(device)) && (!power || hasPower(device))) {
        devices.add(device);
      }
    }
    if (power) {
      devices.addAll(motors(wholeLine));
    }
    Map<String, List<String>> terminals = new HashMap<>();
    for (PlacedDevice device : devices) {
      terminals.put(device.id(), terminals(device, wires, wholeLine));
    }
    return new BoardContents(devices, terminals, wires);
  }

  private static boolean hasPower(PlacedDevice device) {
    return device.sheet().terminals().stream().anyMatch(t -> t.role().isPower());
  }

  /** A motor has no sheet with terminals; on the power board it stands with its three. */
  private List<PlacedDevice> motors(boolean wholeLine) {
    List<Terminal> terminals =
        Motor.TERMINALS.stream()
            .map(t -> new Terminal(t, "winding", TerminalRole.JUNCTION, null, Map.of()))
            .toList();
    PartSheet sheet = new PartSheet("motor", "Motor", terminals, List.of(), List.of());
    return project.motors().stream()
        .filter(m -> wholeLine || (axis != null && axis.motor().id().equals(m.id())))
        .map(m -> new PlacedDevice(new Part(m.id(), m.name(), sheet.id(), Map.of()), sheet))
        .toList();
  }

  private boolean belongs(PlacedDevice device) {
    if (axis == null) {
      return false;
    }
    boolean unwiredPart =
        device.device() instanceof Part
            && wired.stream().noneMatch(t -> t.device().equals(device.id()));
    return device.id().equals(axis.controller().id())
        || device.id().equals(axis.drive().id())
        || axis.parts().stream().anyMatch(p -> p.part().id().equals(device.id()))
        || unwiredPart;
  }

  private List<String> terminals(PlacedDevice device, List<Wire> wires, boolean wholeLine) {
    Set<TerminalRef> here = new HashSet<>();
    wires.forEach(w -> here.addAll(List.of(w.from(), w.to())));
    boolean all = allPoints || (!wholeLine && !(device.device() instanceof Controller));
    Set<TerminalRole> offered = new HashSet<>();
    List<String> shown = new ArrayList<>();
    boolean motor = installation.device(device.id()).isEmpty();
    for (Terminal terminal : device.sheet().terminals()) {
      TerminalRef ref = device.ref(terminal.id());
      if (terminal.role().isPower() != power && !motor) {
        continue;
      }
      if (motor
          || all
          || here.contains(ref)
          || (!wholeLine && isNextFree(ref, terminal, offered))) {
        shown.add(terminal.id());
      }
    }
    return shown;
  }

  /** One free point of each kind that can be wired, and always the supply. */
  private boolean isNextFree(TerminalRef ref, Terminal terminal, Set<TerminalRole> offered) {
    boolean supply =
        terminal.role() == TerminalRole.COMMON_0V || terminal.role() == TerminalRole.SUPPLY_24V;
    boolean point =
        terminal.role().isBinaryOutput() || terminal.role() == TerminalRole.DIGITAL_INPUT;
    return supply || (point && !wired.contains(ref) && offered.add(terminal.role()));
  }
}
