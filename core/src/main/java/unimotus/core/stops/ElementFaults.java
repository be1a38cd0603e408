package unimotus.core.stops;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import unimotus.core.machine.Nets;
import unimotus.core.machine.Part;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.PlacedDevice;
import unimotus.core.wiring.WiringFault;

/**
 * Every element of a stop circuit with every fault that applies to it: contacts, coils, wires,
 * conductors that can touch, supplies.
 */
public final class ElementFaults {
  private static final Set<TerminalRole> RAILS =
      Set.of(TerminalRole.SUPPLY_24V, TerminalRole.COMMON_0V, TerminalRole.INPUT_COMMON);

  private final StopCircuit circuit;
  private final List<ElementFault> faults = new ArrayList<>();
  private final Map<TerminalRef, Integer> channels = new HashMap<>();

  private ElementFaults(StopCircuit circuit) {
    this.circuit = circuit;
    circuit.installation().devices().forEach(this::numberChannels);
  }

  /** All single faults of a circuit, in the order from hand to drive. */
  public static List<ElementFault> of(StopCircuit circuit) {
    ElementFaults made = new ElementFaults(circuit);
    circuit.stop().parts().forEach(made::addPart);
    made.addConductors();
    circuit.wires().forEach(made::addBreak);
    made.addSupplies();
    return List.copyOf(made.faults);
  }

  /** The n-th contact, input or test output of a device belongs to the n-th channel. */
  private void numberChannels(PlacedDevice device) {
    Map<TerminalRole, Integer> count = new HashMap<>();
    for (Terminal terminal : device.sheet().terminals()) {
      if (isChannelEnd(device, terminal)) {
        int channel = count.merge(terminal.role(), 1, Integer::sum);
        if (channel <= 2) {
          channels.put(device.ref(terminal.id()), channel);
          if (terminal.role() == TerminalRole.RELAY_CONTACT && terminal.common() != null) {
            channels.put(device.ref(terminal.common()), channel);
          }
        }
      }
    }
    int contactor = circuit.stop().contactors().indexOf(device.id());
    if (contactor >= 0) {
      StopCircuit.all(device, TerminalRole.COIL).forEach(c -> channels.put(c, contactor + 1));
    }
  }

  private boolean isChannelEnd(PlacedDevice device, Terminal terminal) {
    return switch (terminal.role()) {
      case SAFETY_INPUT, SAFE_TORQUE_OFF, TEST_PULSE_OUTPUT, SAFETY_OUTPUT -> true;
      case RELAY_CONTACT ->
          circuit.stop().triggers().contains(device.id())
              || (device.id().equals(circuit.stop().relay())
                  && terminal.closedIn().contains(PartSheet.ENERGISED));
      default -> false;
    };
  }

  private void addPart(String id) {
    PlacedDevice part = circuit.device(id);
    for (Terminal terminal : part.sheet().terminals()) {
      TerminalRef ref = part.ref(terminal.id());
      boolean wired = circuit.wires().stream().anyMatch(w -> w.touches(ref));
      boolean mirror = circuit.stop().contactors().contains(id);
      if (wired && terminal.role().isPositioned() && !mirror) {
        add(part, terminal.id(), FaultKind.STUCK_CLOSED, new WiringFault.StuckClosed(ref));
        add(part, terminal.id(), FaultKind.STUCK_OPEN, new WiringFault.StuckOpen(ref));
      }
    }
    if (circuit.stop().contactors().contains(id)) {
      add(part, "contacts", FaultKind.STUCK_CLOSED, new WiringFault.Stuck(id, PartSheet.ENERGISED));
      add(part, "contacts", FaultKind.STUCK_OPEN, new WiringFault.Stuck(id, PartSheet.RELEASED));
    }
  }

  private void add(PlacedDevice part, String terminal, FaultKind kind, WiringFault fault) {
    int channel =
        channels.getOrDefault(
            part.ref(terminal), Math.max(0, circuit.stop().contactors().indexOf(part.id()) + 1));
    faults.add(
        new ElementFault(
            part.device().name() + " " + terminal,
            part.id(),
            Set.of(part.id()),
            channel,
            kind,
            fault));
  }

  /** A conductor: the terminals that wires make one. */
  private record Conductor(TerminalRef first, Set<TerminalRef> ends) {
    Set<String> devices() {
      return ends.stream().map(TerminalRef::device).collect(Collectors.toSet());
    }

    /** Conductors between the same devices run in the same cable. */
    boolean runsBeside(Conductor other) {
      return devices().equals(other.devices());
    }
  }

  private void addConductors() {
    List<Conductor> conductors =
        conductors().stream().filter(c -> c.ends().stream().noneMatch(this::isRail)).toList();
    for (Conductor conductor : conductors) {
      PlacedDevice feeder = feeder(conductor);
      feeder
          .supply()
          .ifPresent(
              s ->
                  add(
                      conductor,
                      FaultKind.SHORT_TO_24V,
                      new WiringFault.CrossShort(conductor.first(), s)));
      feeder
          .zero()
          .ifPresent(
              z ->
                  add(
                      conductor,
                      FaultKind.SHORT_TO_0V,
                      new WiringFault.CrossShort(conductor.first(), z)));
      for (Conductor other : conductors) {
        if (channel(conductor) == 1 && channel(other) == 2 && conductor.runsBeside(other)) {
          add(
              conductor,
              FaultKind.CROSS_SHORT,
              new WiringFault.CrossShort(conductor.first(), other.first()));
        }
      }
    }
  }

  /** Whose 24 V and 0 V run in the same cable. */
  private PlacedDevice feeder(Conductor conductor) {
    PlacedDevice drive = circuit.drive();
    boolean atDrive = conductor.devices().contains(drive.id());
    boolean byDrive = circuit.relay() == null && circuit.stop().effect() != StopEffect.CONTACTORS;
    return atDrive || byDrive ? drive : circuit.device(circuit.axis().controller().id());
  }

  private void add(Conductor conductor, FaultKind kind, WiringFault fault) {
    faults.add(
        new ElementFault(
            "conductor " + words(conductor.ends()),
            "",
            conductor.devices(),
            channel(conductor),
            kind,
            fault));
  }

  private String words(Set<TerminalRef> ends) {
    List<String> words = new ArrayList<>();
    for (TerminalRef end : ends) {
      PlacedDevice device = circuit.device(end.device());
      words.add(
          (device.device() instanceof Part ? device.device().name() + " " : "") + end.terminal());
    }
    return String.join(" – ", words);
  }

  private List<Conductor> conductors() {
    Nets nets = new Nets(circuit.wires());
    Map<TerminalRef, Set<TerminalRef>> found = new LinkedHashMap<>();
    for (Wire wire : circuit.wires()) {
      TerminalRef first =
          found.keySet().stream()
              .filter(k -> nets.joined(k, wire.from()))
              .findFirst()
              .orElse(wire.from());
      Set<TerminalRef> ends =
          found.computeIfAbsent(
              first, k -> new TreeSet<>((a, b) -> a.toString().compareTo(b.toString())));
      ends.add(wire.from());
      ends.add(wire.to());
    }
    return found.entrySet().stream().map(e -> new Conductor(e.getKey(), e.getValue())).toList();
  }

  private boolean isRail(TerminalRef end) {
    return circuit.terminal(end).filter(t -> RAILS.contains(t.role())).isPresent();
  }

  /** The channel all numbered ends of a conductor belong to; 0 where they differ or have none. */
  private int channel(Conductor conductor) {
    List<Integer> numbers =
        conductor.ends().stream().filter(channels::containsKey).map(channels::get).toList();
    return numbers.stream().distinct().count() == 1 ? numbers.get(0) : 0;
  }

  private void addBreak(Wire wire) {
    int channel =
        Math.max(channels.getOrDefault(wire.from(), 0), channels.getOrDefault(wire.to(), 0));
    faults.add(
        new ElementFault(
            "wire %s, %s".formatted(wire.id(), words(Set.of(wire.from(), wire.to()))),
            "",
            new TreeSet<>(List.of(wire.from().device(), wire.to().device())),
            channel,
            FaultKind.BREAK,
            new WiringFault.OpenWire(wire.id())));
  }

  private void addSupplies() {
    for (PlacedDevice device : circuit.installation().devices()) {
      for (TerminalRef supply : StopCircuit.all(device, TerminalRole.SUPPLY_24V)) {
        if (circuit.wires().stream().anyMatch(w -> w.touches(supply))) {
          faults.add(
              new ElementFault(
                  "24 V of " + device.device().name(),
                  device.id(),
                  Set.of(device.id()),
                  0,
                  FaultKind.SUPPLY_LOST,
                  new WiringFault.DeadSource(supply)));
        }
      }
    }
  }
}
