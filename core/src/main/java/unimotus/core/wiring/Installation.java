package unimotus.core.wiring;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Device;
import unimotus.core.machine.Project;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.Terminal;

/** Devices and the wires between them. Immutable. */
public final class Installation {
  private final Map<String, PlacedDevice> devices;
  private final List<Wire> wires;
  private final boolean pulseTested;

  private Installation(Collection<PlacedDevice> placed, List<Wire> wires) {
    this.devices = new LinkedHashMap<>();
    placed.forEach(d -> devices.put(d.id(), d));
    this.wires = List.copyOf(wires);
    this.pulseTested = devices.values().stream().anyMatch(PlacedDevice::isPulseTested);
  }

  /** What belongs to one axis: its controller, its drive, and the parts its wires run over. */
  public static Installation of(AxisAssembly axis) {
    List<PlacedDevice> placed = new ArrayList<>();
    placed.add(new PlacedDevice(axis.controller(), axis.controllerSheet()));
    placed.add(new PlacedDevice(axis.drive(), axis.driveSheet()));
    axis.parts().forEach(p -> placed.add(new PlacedDevice(p.part(), p.sheet())));
    return new Installation(placed, axis.wires());
  }

  /** These devices and these wires alone. */
  public static Installation of(Collection<PlacedDevice> placed, List<Wire> wires) {
    return new Installation(placed, wires);
  }

  /** The whole line; devices whose sheet is not known are left out. */
  public static Installation of(Project project, SheetCatalogue sheets) {
    List<PlacedDevice> placed = new ArrayList<>();
    for (Device device : project.devices()) {
      sheets.find(device.sheet()).ifPresent(s -> placed.add(new PlacedDevice(device, s)));
    }
    return new Installation(placed, project.wires());
  }

  /** All devices, controllers first. */
  public Collection<PlacedDevice> devices() {
    return devices.values();
  }

  /** The wires. */
  public List<Wire> wires() {
    return wires;
  }

  /** Whether any safety input expects test pulses. */
  boolean hasPulseTestedInputs() {
    return pulseTested;
  }

  /** The device with this id; empty where it is not part of this installation. */
  public Optional<PlacedDevice> device(String id) {
    return Optional.ofNullable(devices.get(id));
  }

  /** The sheet's terminal behind a reference; empty where the device or terminal is not there. */
  public Optional<Terminal> terminal(TerminalRef ref) {
    return device(ref.device()).flatMap(d -> d.sheet().terminal(ref.terminal()));
  }
}
