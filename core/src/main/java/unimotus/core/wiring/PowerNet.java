package unimotus.core.wiring;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import unimotus.core.machine.Motor;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/**
 * The power side of an installation in one position of its contactors and switches, followed from
 * conductor to conductor: what has mains, and what the motor hangs on.
 *
 * <p>Current needs two conductors: a drive is fed where two of its mains inputs lead to two
 * different conductors of the mains, or both poles of its d.c. link to those of an infeed that is
 * fed; a motor is joined where two of its terminals lead to two different ones of the source. One
 * welded pole alone therefore feeds nothing.
 */
public final class PowerNet {
  private final Installation installation;
  private final Map<TerminalRef, Set<TerminalRef>> joined = new HashMap<>();
  private final Set<String> wired = new HashSet<>();

  /**
   * Follows the power side.
   *
   * @param state positions of switches worked by hand
   * @param energised ids of the contactors that are pulled in
   * @param faults what is broken; possibly empty
   */
  public PowerNet(
      Installation installation,
      CommandState state,
      Set<String> energised,
      List<WiringFault> faults) {
    this.installation = installation;
    for (Wire wire : installation.powerWires()) {
      wired.add(wire.from().device());
      wired.add(wire.to().device());
      if (!faults.contains(new WiringFault.OpenWire(wire.id()))) {
        join(wire.from(), wire.to());
      }
    }
    for (PlacedDevice device : installation.devices()) {
      if (wired.contains(device.id()) && device.sheet() instanceof PartSheet part) {
        boolean pulled = isPulled(device, energised, faults);
        String position = position(part, device, state, pulled);
        closeContacts(device, part, position, faults);
      }
    }
  }

  private static boolean isPulled(
      PlacedDevice device, Set<String> energised, List<WiringFault> faults) {
    if (faults.contains(new WiringFault.Stuck(device.id(), PartSheet.ENERGISED))) {
      return true;
    }
    return energised.contains(device.id())
        && !faults.contains(new WiringFault.Stuck(device.id(), PartSheet.RELEASED));
  }

  private static String position(
      PartSheet part, PlacedDevice device, CommandState state, boolean pulled) {
    if (part.isDriven()) {
      return pulled ? PartSheet.ENERGISED : PartSheet.RELEASED;
    }
    return state.position(device.id(), part.positions().isEmpty() ? "" : part.positions().get(0));
  }

  private void closeContacts(
      PlacedDevice device, PartSheet part, String position, List<WiringFault> faults) {
    for (Terminal terminal : part.terminals()) {
      if (terminal.role() == TerminalRole.MAIN_CONTACT && terminal.common() != null) {
        TerminalRef ref = device.ref(terminal.id());
        boolean open = faults.contains(new WiringFault.StuckOpen(ref));
        boolean welded = faults.contains(new WiringFault.StuckClosed(ref));
        if (welded || (!open && terminal.closedIn().contains(position))) {
          join(device.ref(terminal.common()), ref);
        }
      }
    }
  }

  private void join(TerminalRef one, TerminalRef other) {
    joined.computeIfAbsent(one, k -> new LinkedHashSet<>()).add(other);
    joined.computeIfAbsent(other, k -> new LinkedHashSet<>()).add(one);
  }

  /** Whether any wire of the power side ends on a device or a motor. */
  public boolean isWired(String device) {
    return wired.contains(device);
  }

  /** Whether the terminals of a role on a device have a power wire. */
  private boolean isWired(PlacedDevice device, TerminalRole role) {
    return refs(device, role).stream()
        .anyMatch(r -> installation.powerWires().stream().anyMatch(w -> w.touches(r)));
  }

  /**
   * Whether a drive or an infeed has mains or a fed d.c. link. One whose inputs have no wire drawn
   * is taken for fed: nothing of this design takes its mains away.
   */
  public boolean isFed(PlacedDevice device) {
    boolean mains = isWired(device, TerminalRole.LINE_INPUT);
    boolean link = isWired(device, TerminalRole.LINK_PLUS) && !isInfeed(device);
    if (!mains && !link) {
      return true;
    }
    return (mains && hasTwo(refs(device, TerminalRole.LINE_INPUT), this::mains))
        || (link && isFedByLink(device));
  }

  private static boolean isInfeed(PlacedDevice device) {
    return device.sheet() instanceof PartSheet;
  }

  private boolean isFedByLink(PlacedDevice drive) {
    for (PlacedDevice infeed : installation.devices()) {
      if (isInfeed(infeed)
          && !refs(infeed, TerminalRole.LINK_PLUS).isEmpty()
          && leads(drive, infeed, TerminalRole.LINK_PLUS)
          && leads(drive, infeed, TerminalRole.LINK_MINUS)
          && isFed(infeed)) {
        return true;
      }
    }
    return false;
  }

  private boolean leads(PlacedDevice drive, PlacedDevice infeed, TerminalRole role) {
    return refs(drive, role).stream()
        .anyMatch(
            from -> {
              Set<TerminalRef> there = reached(from);
              return refs(infeed, role).stream().anyMatch(there::contains);
            });
  }

  private Set<TerminalRef> mains(TerminalRef from) {
    Set<TerminalRef> found = new HashSet<>();
    for (TerminalRef end : reached(from)) {
      if (installation.terminal(end).filter(t -> t.role() == TerminalRole.MAINS).isPresent()) {
        found.add(end);
      }
    }
    return found;
  }

  /**
   * Whether a motor hangs on a drive. One that has no wire drawn is taken for joined: nothing of
   * this design cuts it off.
   */
  public boolean isJoined(String motor, PlacedDevice drive) {
    Set<TerminalRef> outputs = new HashSet<>(refs(drive, TerminalRole.MOTOR_OUTPUT));
    if (!isWired(motor) || !isWired(drive, TerminalRole.MOTOR_OUTPUT)) {
      return !isWired(motor) && !isWired(drive, TerminalRole.MOTOR_OUTPUT);
    }
    return hasTwo(
        terminals(motor),
        t -> {
          Set<TerminalRef> there = new HashSet<>(reached(t));
          there.retainAll(outputs);
          return there;
        });
  }

  /** Whether a motor hangs on the mains past its drive. */
  public boolean isOnMains(String motor) {
    return isWired(motor) && hasTwo(terminals(motor), this::mains);
  }

  private static List<TerminalRef> terminals(String motor) {
    return Motor.TERMINALS.stream().map(t -> new TerminalRef(motor, t)).toList();
  }

  private static List<TerminalRef> refs(PlacedDevice device, TerminalRole role) {
    return device.sheet().terminals().stream()
        .filter(t -> t.role() == role)
        .map(t -> device.ref(t.id()))
        .toList();
  }

  /** Whether two of the ends lead to different sources: one each way for the current. */
  private static boolean hasTwo(
      List<TerminalRef> ends, java.util.function.Function<TerminalRef, Set<TerminalRef>> sources) {
    List<Set<TerminalRef>> found = new ArrayList<>();
    for (TerminalRef end : ends) {
      Set<TerminalRef> own = sources.apply(end);
      for (Set<TerminalRef> other : found) {
        Set<TerminalRef> both = new HashSet<>(own);
        both.addAll(other);
        if (!own.isEmpty() && both.size() > 1) {
          return true;
        }
      }
      if (!own.isEmpty()) {
        found.add(own);
      }
    }
    return false;
  }

  private Set<TerminalRef> reached(TerminalRef from) {
    Set<TerminalRef> seen = new HashSet<>(Set.of(from));
    Deque<TerminalRef> open = new ArrayDeque<>(seen);
    while (!open.isEmpty()) {
      for (TerminalRef next : joined.getOrDefault(open.removeFirst(), Set.of())) {
        if (seen.add(next)) {
          open.add(next);
        }
      }
    }
    return seen;
  }
}
