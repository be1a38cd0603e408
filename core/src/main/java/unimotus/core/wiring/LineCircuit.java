package unimotus.core.wiring;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.circuit.Characteristic;
import unimotus.core.circuit.Circuit;
import unimotus.core.circuit.Law;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/**
 * The circuit of an installation in one state, and which branch stands for what.
 *
 * <p>A node is a terminal. Only terminals that are wired, probed or faulted carry their branches,
 * so that a controller's many free points cost nothing; supplies always do.
 */
final class LineCircuit {
  /** Least resistance of a wire with its two clamps, in ohms (common practice). */
  private static final double CLAMPED_OHMS = 0.005;

  private static final double SHORT_OHMS = 0.01;

  private final Installation installation;
  private final Circuit.Builder net = Circuit.builder();
  private final Map<TerminalRef, Integer> branches = new HashMap<>();
  private final Map<String, Integer> wireBranches = new HashMap<>();
  private final Set<TerminalRef> live = new HashSet<>();
  private final Map<TerminalRef, String> names = new HashMap<>();

  LineCircuit(
      Installation installation,
      CommandState state,
      Set<String> energised,
      List<WiringFault> faults,
      Power power,
      Set<TerminalRef> probed) {
    this.installation = installation;
    Map<String, Wire> wires = new HashMap<>();
    for (Wire wire : installation.wires()) {
      wires.put(wire.id(), wire);
    }
    faults.forEach(f -> move(f, wires));
    live.addAll(probed);
    for (Wire wire : installation.wires()) {
      live.add(wires.get(wire.id()).from());
      live.add(wires.get(wire.id()).to());
    }
    groundAtZero();
    installation.wires().forEach(w -> addWire(wires.get(w.id()), faults));
    for (PlacedDevice device : installation.devices()) {
      addDevice(
          device, new DeviceLaws(device, state, energised.contains(device.id()), power), faults);
    }
    faults.forEach(this::addShort);
  }

  private static void move(WiringFault fault, Map<String, Wire> wires) {
    if (fault instanceof WiringFault.MovedEnd moved && wires.containsKey(moved.wire())) {
      Wire wire = wires.get(moved.wire());
      TerminalRef stays = wire.otherEnd(moved.from());
      if (!stays.equals(moved.to())) {
        wires.put(wire.id(), wire.withEnds(stays, moved.to()));
      }
    }
  }

  private void groundAtZero() {
    for (PlacedDevice device : installation.devices()) {
      device.zero().ifPresent(z -> net.ground(name(z)));
    }
  }

  private void addWire(Wire wire, List<WiringFault> faults) {
    double ohms = CLAMPED_OHMS + wire.make().ohms();
    boolean open = false;
    for (WiringFault fault : faults) {
      open |= fault instanceof WiringFault.OpenWire o && o.wire().equals(wire.id());
      if (fault instanceof WiringFault.HighResistance h && h.wire().equals(wire.id())) {
        ohms += h.ohms();
      }
    }
    Law law = open ? Law.OPEN : Characteristic.resistor(ohms);
    int branch = net.add("wire " + wire.id(), name(wire.from()), name(wire.to()), law);
    wireBranches.put(wire.id(), branch);
  }

  private void addDevice(PlacedDevice device, DeviceLaws laws, List<WiringFault> faults) {
    for (Terminal terminal : device.sheet().terminals()) {
      TerminalRef ref = device.ref(terminal.id());
      if (faults.contains(new WiringFault.DeadSource(ref))
          && !faults.contains(new WiringFault.StuckClosed(ref))) {
        continue;
      }
      if (live.contains(ref)
          || terminal.role() == TerminalRole.SUPPLY_24V
          || laws.isTied(terminal)) {
        laws.branches(terminal, contactFault(ref, faults)).forEach(b -> add(ref, b));
      }
    }
  }

  /** The position a fault holds a contact in; empty for a sound one. */
  private static Optional<Boolean> contactFault(TerminalRef ref, List<WiringFault> faults) {
    if (faults.contains(new WiringFault.StuckClosed(ref))) {
      return Optional.of(true);
    }
    return faults.contains(new WiringFault.StuckOpen(ref)) ? Optional.of(false) : Optional.empty();
  }

  private void add(TerminalRef ref, DeviceLaws.Element element) {
    int branch =
        net.add(ref + element.suffix(), name(element.from()), name(element.to()), element.law());
    if (element.suffix().isEmpty()) {
      branches.put(ref, branch);
    }
  }

  private void addShort(WiringFault fault) {
    if (fault instanceof WiringFault.ShortToSupply s) {
      rail(true, s.terminal()).ifPresent(r -> join(s.terminal(), r));
    } else if (fault instanceof WiringFault.ShortToZero s) {
      rail(false, s.terminal()).ifPresent(r -> join(s.terminal(), r));
    } else if (fault instanceof WiringFault.CrossShort s) {
      join(s.one(), s.other());
    }
  }

  /** The nearest rail to short to: the first device's that has one, which is the controller's. */
  private Optional<TerminalRef> rail(boolean supply, TerminalRef other) {
    return installation.devices().stream()
        .map(d -> supply ? d.supply() : d.zero())
        .flatMap(Optional::stream)
        .filter(r -> !r.equals(other))
        .findFirst();
  }

  private void join(TerminalRef one, TerminalRef other) {
    if (!one.equals(other)) {
      net.add("short", name(one), name(other), Characteristic.resistor(SHORT_OHMS));
    }
  }

  /** Adds a branch between two terminals and returns its number. */
  int addBranch(String what, TerminalRef from, TerminalRef to, Law law) {
    return net.add(what, name(from), name(to), law);
  }

  private String name(TerminalRef ref) {
    return names.computeIfAbsent(ref, TerminalRef::toString);
  }

  @Nullable Integer branchOf(TerminalRef ref) {
    return branches.get(ref);
  }

  @Nullable Integer branchOfWire(String wire) {
    return wireBranches.get(wire);
  }

  Circuit build() {
    return net.build();
  }
}
