package unimotus.core.wiring;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Device;
import unimotus.core.machine.Project;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/** Devices and the wires between them. Immutable. */
public final class Installation {
  private final Map<String, PlacedDevice> devices;
  private final List<Wire> wires;
  private final List<Wire> powerWires;
  private final boolean pulseTested;
  // Asked for with every solution, so found once.
  private final List<TerminalRef> zeros;
  private final List<PlacedDevice> driven;
  private final List<PlacedDevice> fed;
  private final Map<String, List<Terminal>> active = new HashMap<>();
  private final Map<TerminalRef, String> names = new HashMap<>();
  private final Map<String, String> labels = new HashMap<>();
  private volatile List<String> order = List.of();

  private Installation(Collection<PlacedDevice> placed, List<Wire> wires) {
    this.devices = new LinkedHashMap<>();
    placed.forEach(d -> devices.put(d.id(), d));
    this.powerWires = wires.stream().filter(this::isPower).toList();
    this.wires = powerWires.isEmpty() ? List.copyOf(wires) : without(wires, powerWires);
    this.pulseTested = devices.values().stream().anyMatch(PlacedDevice::isPulseTested);
    this.zeros =
        devices.values().stream().map(PlacedDevice::zero).flatMap(Optional::stream).toList();
    for (Wire wire : this.wires) {
      names.put(wire.from(), wire.from().toString());
      names.put(wire.to(), wire.to().toString());
      labels.put(wire.id(), "wire " + wire.id());
    }
    devices.values().forEach(d -> active.put(d.id(), active(d)));
    this.driven = parts(PartSheet::isDriven);
    this.fed = parts(PartSheet::needsFeed);
  }

  /** What carries current without being asked about: wired, or alive by itself. */
  private List<Terminal> active(PlacedDevice device) {
    return device.sheet().terminals().stream()
        .filter(
            t ->
                names.containsKey(device.ref(t.id()))
                    || t.role() == TerminalRole.SUPPLY_24V
                    || t.role() == TerminalRole.SAFE_TORQUE_OFF)
        .toList();
  }

  /** The terminals of a device that can carry current unless others are asked about. */
  List<Terminal> active(String device) {
    return active.getOrDefault(device, List.of());
  }

  private List<PlacedDevice> parts(Predicate<PartSheet> which) {
    return devices.values().stream()
        .filter(d -> d.sheet() instanceof PartSheet p && which.test(p))
        .toList();
  }

  /** The parts whose outputs need their feed. */
  List<PlacedDevice> fed() {
    return fed;
  }

  /** The parts that a coil or a logic of their own moves. */
  List<PlacedDevice> driven() {
    return driven;
  }

  /** The zeros of all devices. */
  List<TerminalRef> zeros() {
    return zeros;
  }

  /** How circuits of this installation are best eliminated; empty until one was made. */
  List<String> order() {
    return order;
  }

  /** Remembers an order of elimination; whichever of several threads comes last, it is one. */
  void learn(List<String> found) {
    order = found;
  }

  /** Whether a control wire ends on a terminal. */
  public boolean isWired(TerminalRef ref) {
    return names.containsKey(ref);
  }

  /** What a wire is called in a circuit. */
  String label(Wire wire) {
    String known = labels.get(wire.id());
    return known == null ? "wire " + wire.id() : known;
  }

  /** The name of a terminal in a circuit. */
  String name(TerminalRef ref) {
    String known = names.get(ref);
    return known == null ? ref.toString() : known;
  }

  private static List<Wire> without(List<Wire> wires, List<Wire> taken) {
    Set<Wire> gone = new HashSet<>(taken);
    return wires.stream().filter(w -> !gone.contains(w)).toList();
  }

  /** Whether a wire belongs to the power side: one end of it does. */
  public boolean isPower(Wire wire) {
    return isPower(wire.from()) || isPower(wire.to());
  }

  private boolean isPower(TerminalRef end) {
    return terminal(end).filter(t -> t.role().isPower()).isPresent();
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

  /** The control wires: those that are solved as a circuit. */
  public List<Wire> wires() {
    return wires;
  }

  /** The wires of the power side, which are followed and not solved. */
  public List<Wire> powerWires() {
    return powerWires;
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

  /**
   * The terminal of a text {@code DEVICE:TERMINAL}; empty where it is written otherwise or gone.
   */
  public Optional<TerminalRef> named(String text) {
    int colon = text.indexOf(':');
    if (colon < 1 || colon == text.length() - 1) {
      return Optional.empty();
    }
    TerminalRef ref = new TerminalRef(text.substring(0, colon), text.substring(colon + 1));
    return terminal(ref).map(t -> ref);
  }
}
