package unimotus.core.stops;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import unimotus.core.machine.Nets;
import unimotus.core.machine.Part;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.PlacedDevice;
import unimotus.core.wiring.WiringFault;

/**
 * Every element of a stop circuit with every fault that applies to it: contacts, coils, wires,
 * conductors that can touch, supplies, fuses. What cannot influence the stop is left out.
 *
 * <p>Which conductors run beside each other follows from the devices they lead to; strips and fuses
 * on the way change nothing.
 */
final class ElementFaults {
  private final StopCircuit circuit;
  private final List<Wire> wires;
  private final List<ElementFault> faults = new ArrayList<>();

  private ElementFaults(StopCircuit circuit) {
    this.circuit = circuit;
    this.wires = circuit.wires().stream().filter(circuit::acts).toList();
  }

  /** All single faults of a circuit, in the order from hand to drive. */
  public static List<ElementFault> of(StopCircuit circuit) {
    ElementFaults made = new ElementFaults(circuit);
    made.parts().forEach(made::addDevice);
    made.addConductors();
    made.wires.forEach(made::addBreak);
    made.addSupplies();
    return List.copyOf(made.faults);
  }

  /** The parts of the stop in its order, then whatever else takes part. */
  private Set<PlacedDevice> parts() {
    Set<PlacedDevice> parts = new LinkedHashSet<>();
    circuit.stop().parts().forEach(p -> parts.add(circuit.device(p)));
    parts.addAll(circuit.installation().devices());
    return parts;
  }

  private void addDevice(PlacedDevice device) {
    boolean contactor = circuit.stop().contactors().contains(device.id());
    for (Terminal terminal : device.sheet().terminals()) {
      TerminalRef ref = device.ref(terminal.id());
      boolean acts = circuit.acts(ref) && wires.stream().anyMatch(w -> w.touches(ref));
      boolean contact =
          terminal.role() == TerminalRole.RELAY_CONTACT
              || terminal.role() == TerminalRole.SAFETY_OUTPUT;
      if (acts && contact && !contactor) {
        add(device, terminal.id(), FaultKind.STUCK_CLOSED, new WiringFault.StuckClosed(ref));
        add(device, terminal.id(), FaultKind.STUCK_OPEN, new WiringFault.StuckOpen(ref));
      } else if (acts && terminal.role() == TerminalRole.FUSE) {
        add(device, terminal.id(), FaultKind.FUSE_BLOWN, new WiringFault.DeadSource(ref));
      }
    }
    if (device.sheet() instanceof PartSheet part && part.hasCoil() && circuit.acts(device.id())) {
      // The contacts of one armature move together; mirror contacts are among them.
      String id = device.id();
      add(
          device,
          "contacts",
          FaultKind.STUCK_CLOSED,
          new WiringFault.Stuck(id, PartSheet.ENERGISED));
      add(device, "contacts", FaultKind.STUCK_OPEN, new WiringFault.Stuck(id, PartSheet.RELEASED));
    }
  }

  private void add(PlacedDevice device, String terminal, FaultKind kind, WiringFault fault) {
    faults.add(
        new ElementFault(
            device.device().name() + " " + terminal,
            device.id() + ":" + terminal,
            device.id(),
            Set.of(device.id()),
            kind,
            fault));
  }

  /** A conductor: the terminals that wires make one. */
  private record Conductor(Set<TerminalRef> ends, Set<String> devices) {
    TerminalRef first() {
      return ends.iterator().next();
    }

    /** Conductors between the same devices run in the same cable. */
    boolean runsBeside(Conductor other) {
      return devices().equals(other.devices());
    }
  }

  private void addConductors() {
    List<Conductor> all = conductors();
    List<Conductor> live = all.stream().filter(c -> !isRail(c)).toList();
    List<TerminalRef> plus = poles(TerminalRole.SUPPLY_24V);
    List<TerminalRef> minus = zeros();
    for (int i = 0; i < live.size(); i++) {
      Conductor conductor = live.get(i);
      plus.forEach(p -> addShort(conductor, FaultKind.SHORT_TO_24V, p, plus.size()));
      minus.forEach(m -> addShort(conductor, FaultKind.SHORT_TO_0V, m, minus.size()));
      for (Conductor other : live.subList(i + 1, live.size())) {
        if (conductor.runsBeside(other)) {
          addCross(conductor, other);
        }
      }
    }
  }

  /** One terminal of each conductor a supply holds; supplies that feed the same one count once. */
  private List<TerminalRef> poles(TerminalRole role) {
    List<TerminalRef> all = new ArrayList<>();
    for (PlacedDevice device : circuit.installation().devices()) {
      StopTraits.all(device, role).stream().filter(this::isWired).forEach(all::add);
    }
    return distinct(all);
  }

  private List<TerminalRef> zeros() {
    List<TerminalRef> all = new ArrayList<>();
    for (PlacedDevice device : circuit.installation().devices()) {
      device.zero().filter(this::isWired).ifPresent(all::add);
    }
    return distinct(all);
  }

  private List<TerminalRef> distinct(List<TerminalRef> all) {
    Nets nets = new Nets(wires);
    List<TerminalRef> distinct = new ArrayList<>();
    for (TerminalRef one : all) {
      if (distinct.stream().noneMatch(d -> nets.joined(d, one))) {
        distinct.add(one);
      }
    }
    return distinct;
  }

  private boolean isWired(TerminalRef terminal) {
    return wires.stream().anyMatch(w -> w.touches(terminal));
  }

  private void addShort(Conductor conductor, FaultKind kind, TerminalRef pole, int poles) {
    String against = poles > 1 ? " against " + circuit.name(pole.device()) : "";
    faults.add(
        new ElementFault(
            "conductor %s%s".formatted(words(conductor), against),
            conductor.first().toString(),
            "",
            conductor.devices(),
            kind,
            new WiringFault.CrossShort(conductor.first(), pole)));
  }

  private void addCross(Conductor one, Conductor other) {
    faults.add(
        new ElementFault(
            "conductors %s and %s".formatted(words(one), words(other)),
            one.first() + "+" + other.first(),
            "",
            one.devices(),
            FaultKind.CROSS_SHORT,
            new WiringFault.CrossShort(one.first(), other.first())));
  }

  private String words(Conductor conductor) {
    List<String> words = new ArrayList<>();
    conductor.ends().stream().filter(e -> !isPassage(e.device())).forEach(e -> words.add(word(e)));
    return String.join(" – ", words);
  }

  private String word(TerminalRef end) {
    PlacedDevice device = circuit.device(end.device());
    boolean own = device.id().equals(circuit.axis().drive().id());
    boolean part = device.device() instanceof Part;
    return (part || !own ? device.device().name() + " " : "") + end.terminal();
  }

  private List<Conductor> conductors() {
    Nets nets = new Nets(wires);
    Map<TerminalRef, Set<TerminalRef>> found = new LinkedHashMap<>();
    for (Wire wire : wires) {
      TerminalRef first =
          found.keySet().stream()
              .filter(k -> nets.joined(k, wire.from()))
              .findFirst()
              .orElse(wire.from());
      Set<TerminalRef> ends = found.computeIfAbsent(first, k -> new TreeSet<>(this::byPassage));
      ends.add(wire.from());
      ends.add(wire.to());
    }
    return found.values().stream().map(e -> new Conductor(e, devices(e))).toList();
  }

  /** Points that only pass the conductor on come last: they are no reason to name it by. */
  private int byPassage(TerminalRef a, TerminalRef b) {
    int passage = Boolean.compare(isPassage(a.device()), isPassage(b.device()));
    return passage != 0 ? passage : a.compareTo(b);
  }

  private Set<String> devices(Set<TerminalRef> ends) {
    Set<String> devices = new TreeSet<>();
    ends.stream().map(TerminalRef::device).filter(d -> !isPassage(d)).forEach(devices::add);
    return devices;
  }

  /** Whether a device only passes conductors on: a strip, a fuse, a device of no concern here. */
  private boolean isPassage(String device) {
    return circuit.installation().device(device).isEmpty()
        || circuit.device(device).sheet().terminals().stream()
            .allMatch(t -> t.role() == TerminalRole.JUNCTION || t.role() == TerminalRole.FUSE);
  }

  private boolean isRail(Conductor conductor) {
    return conductor.ends().stream().anyMatch(this::isHeld);
  }

  /** A pole of a supply, or a fuse: what such a conductor touches, it feeds or blows. */
  private boolean isHeld(TerminalRef end) {
    boolean pole =
        circuit
            .terminal(end)
            .filter(
                t ->
                    t.role() == TerminalRole.SUPPLY_24V
                        || t.role() == TerminalRole.COMMON_0V
                        || t.role() == TerminalRole.INPUT_COMMON
                        || t.role() == TerminalRole.FUSE)
            .isPresent();
    return pole
        || circuit.installation().devices().stream()
            .map(PlacedDevice::zero)
            .anyMatch(z -> z.filter(end::equals).isPresent());
  }

  private void addBreak(Wire wire) {
    Set<TerminalRef> ends = new TreeSet<>(this::byPassage);
    ends.add(wire.from());
    ends.add(wire.to());
    List<String> words = new ArrayList<>();
    ends.forEach(
        e ->
            words.add(
                circuit.installation().device(e.device()).isPresent() ? word(e) : e.toString()));
    faults.add(
        new ElementFault(
            "wire %s, %s".formatted(wire.id(), String.join(" – ", words)),
            wire.id(),
            "",
            devices(ends),
            FaultKind.BREAK,
            new WiringFault.OpenWire(wire.id())));
  }

  private void addSupplies() {
    for (PlacedDevice device : circuit.installation().devices()) {
      for (TerminalRef supply : StopTraits.all(device, TerminalRole.SUPPLY_24V)) {
        if (isWired(supply)) {
          faults.add(
              new ElementFault(
                  "24 V of " + device.device().name(),
                  supply.toString(),
                  device.id(),
                  Set.of(device.id()),
                  FaultKind.SUPPLY_LOST,
                  new WiringFault.DeadSource(supply)));
        }
      }
    }
  }
}
