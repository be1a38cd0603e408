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
  private final Set<String> others = new HashSet<>();
  private final Set<TerminalRef> unwired = new HashSet<>();

  LineCircuit(
      Installation installation,
      CommandState state,
      Set<String> energised,
      List<WiringFault> faults,
      Power power,
      Set<TerminalRef> probed) {
    this.installation = installation;
    probed.forEach(this::ask);
    groundAtZero();
    List<Wire> wires = moved(faults);
    wires.forEach(w -> addWire(w, faults));
    for (PlacedDevice device : installation.devices()) {
      addDevice(
          device, new DeviceLaws(device, state, energised.contains(device.id()), power), faults);
    }
    faults.forEach(this::addShort);
  }

  /** A terminal that carries current although no wire of the installation ends on it. */
  private void ask(TerminalRef ref) {
    live.add(ref);
    others.add(ref.device());
  }

  /** The wires where faults have put them. */
  private List<Wire> moved(List<WiringFault> faults) {
    List<Wire> wires = installation.wires();
    for (WiringFault fault : faults) {
      if (fault instanceof WiringFault.MovedEnd moved) {
        wires = wires.stream().map(w -> moved(w, moved)).toList();
      }
    }
    return wires;
  }

  private Wire moved(Wire wire, WiringFault.MovedEnd moved) {
    TerminalRef stays = wire.id().equals(moved.wire()) ? wire.otherEnd(moved.from()) : moved.to();
    if (stays.equals(moved.to())) {
      return wire;
    }
    ask(moved.to());
    unwired.add(moved.from());
    return wire.withEnds(stays, moved.to());
  }

  private void groundAtZero() {
    installation.zeros().forEach(z -> net.ground(name(z)));
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
    int branch = net.add(installation.label(wire), name(wire.from()), name(wire.to()), law);
    wireBranches.put(wire.id(), branch);
  }

  private void addDevice(PlacedDevice device, DeviceLaws laws, List<WiringFault> faults) {
    boolean more = others.contains(device.id());
    for (Terminal terminal : more ? device.sheet().terminals() : installation.active(device.id())) {
      TerminalRef ref = device.ref(terminal.id());
      boolean carries =
          isLive(ref) || terminal.role() == TerminalRole.SUPPLY_24V || laws.isTied(terminal);
      if (carries && !isDead(ref, faults)) {
        laws.branches(terminal, contactFault(ref, faults)).forEach(b -> add(ref, b));
      }
    }
  }

  private boolean isLive(TerminalRef ref) {
    return live.contains(ref) || (installation.isWired(ref) && !isBare(ref));
  }

  /** Whether the only wire of a terminal was moved away. */
  private boolean isBare(TerminalRef ref) {
    return unwired.contains(ref)
        && installation.wires().stream().filter(w -> w.touches(ref)).count() <= 1;
  }

  private static boolean isDead(TerminalRef ref, List<WiringFault> faults) {
    return !faults.isEmpty()
        && faults.contains(new WiringFault.DeadSource(ref))
        && !faults.contains(new WiringFault.StuckClosed(ref));
  }

  /** The position a fault holds a contact in; empty for a sound one. */
  private static Optional<Boolean> contactFault(TerminalRef ref, List<WiringFault> faults) {
    if (faults.isEmpty()) {
      return Optional.empty();
    }
    if (faults.contains(new WiringFault.StuckClosed(ref))) {
      return Optional.of(true);
    }
    return faults.contains(new WiringFault.StuckOpen(ref)) ? Optional.of(false) : Optional.empty();
  }

  private void add(TerminalRef ref, DeviceLaws.Element element) {
    boolean plain = element.suffix().isEmpty();
    String label = plain ? name(ref) : name(ref) + element.suffix();
    int branch = net.add(label, name(element.from()), name(element.to()), element.law());
    if (plain) {
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
    return installation.name(ref);
  }

  @Nullable Integer branchOf(TerminalRef ref) {
    return branches.get(ref);
  }

  @Nullable Integer branchOfWire(String wire) {
    return wireBranches.get(wire);
  }

  /** The circuit; the first one tells the others of its installation how to be eliminated. */
  Circuit build() {
    List<String> order = installation.order();
    if (!order.isEmpty()) {
      return net.ordered(order).build();
    }
    Circuit first = net.build();
    installation.learn(first.eliminationOrder());
    return first;
  }
}
