package unimotus.core.machine;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/** Follows what acts on a stop along conductors and through devices. Not thread-safe. */
final class ReachSearch {
  private final Map<String, Fitted> devices;
  private final WireIndex index;
  private final Set<TerminalRef> reached = new LinkedHashSet<>();
  private final Deque<TerminalRef> open = new ArrayDeque<>();
  private final Map<TerminalRef, Conductor> conductors = new HashMap<>();
  private final Set<TerminalRef> asked = new HashSet<>();

  ReachSearch(Map<String, Fitted> devices, WireIndex index) {
    this.devices = devices;
    this.index = index;
  }

  /** All that wires make one. */
  private record Conductor(Set<TerminalRef> ends, Set<Wire> wires, boolean rail) {}

  /**
   * To what is wired to the terminal, over points that only join: on a conductor that a supply
   * holds by mistake, this is what was meant to hold it.
   */
  void reachNext(TerminalRef terminal) {
    Set<TerminalRef> seen = new HashSet<>(Set.of(terminal));
    Deque<TerminalRef> next = new ArrayDeque<>(seen);
    while (!next.isEmpty()) {
      TerminalRef at = next.removeFirst();
      for (Wire wire : index.on(at)) {
        TerminalRef end = wire.otherEnd(at);
        if (seen.add(end)) {
          reach(end);
          if (isStrip(end)) {
            next.add(end);
          }
        }
      }
    }
  }

  private boolean isStrip(TerminalRef end) {
    return sheet(end.device())
        .filter(s -> s.terminals().stream().allMatch(t -> t.role() == TerminalRole.JUNCTION))
        .isPresent();
  }

  void startAt(String device) {
    terminals(device).stream().filter(this::isWired).forEach(this::reach);
    // A part without any wire still belongs to its stop.
    terminals(device).stream().limit(1).forEach(this::reach);
  }

  void run() {
    while (!open.isEmpty()) {
      TerminalRef at = open.removeFirst();
      follow(at);
      terminal(at).ifPresent(t -> within(at, t));
    }
  }

  private Set<Wire> keptWires() {
    Set<Wire> kept = new HashSet<>();
    new HashSet<>(conductors.values()).forEach(c -> kept.addAll(pruned(c)));
    return kept;
  }

  /** What was reached, and the points its wires pass on the way. */
  Set<TerminalRef> between() {
    Set<TerminalRef> all = new HashSet<>(reached);
    for (Wire wire : keptWires()) {
      all.add(wire.from());
      all.add(wire.to());
    }
    return all;
  }

  StopReach result(Set<TerminalRef> acting, String motor) {
    Set<Wire> kept = keptWires();
    Set<String> ids = new HashSet<>();
    reached.forEach(r -> ids.add(r.device()));
    return new StopReach(
        devices.values().stream().filter(f -> ids.contains(f.device().id())).toList(),
        index.all().stream().filter(kept::contains).toList(),
        acting,
        lost(kept, motor));
  }

  private Set<TerminalRef> lost(Set<Wire> kept, String motor) {
    Set<TerminalRef> lost = new HashSet<>();
    for (Wire wire : kept) {
      Stream.of(wire.from(), wire.to())
          .filter(e -> terminal(e).isEmpty())
          .filter(e -> !e.device().equals(motor) || !Motor.TERMINALS.contains(e.terminal()))
          .forEach(lost::add);
    }
    return lost;
  }

  void reach(TerminalRef terminal) {
    if (reached.add(terminal)) {
      open.add(terminal);
    }
  }

  /** To what hangs on the same conductor. */
  private void follow(TerminalRef at) {
    Conductor conductor = conductor(at);
    for (TerminalRef end : conductor.ends()) {
      TerminalRole role = terminal(end).map(Terminal::role).orElse(TerminalRole.JUNCTION);
      if (!conductor.rail() || isSource(role)) {
        reach(end);
      }
    }
  }

  private static boolean isSource(TerminalRole role) {
    return role == TerminalRole.SUPPLY_24V
        || role == TerminalRole.FUSE
        || role == TerminalRole.MAINS;
  }

  private Conductor conductor(TerminalRef at) {
    Conductor known = conductors.get(at);
    if (known != null) {
      return known;
    }
    Set<TerminalRef> ends = new LinkedHashSet<>(List.of(at));
    Set<Wire> between = new LinkedHashSet<>();
    Deque<TerminalRef> next = new ArrayDeque<>(ends);
    while (!next.isEmpty()) {
      TerminalRef end = next.removeFirst();
      for (Wire wire : index.on(end)) {
        between.add(wire);
        if (ends.add(wire.otherEnd(end))) {
          next.add(wire.otherEnd(end));
        }
      }
    }
    Conductor made = new Conductor(ends, between, ends.stream().anyMatch(this::isHeld));
    ends.forEach(e -> conductors.put(e, made));
    return made;
  }

  /** Whether a supply holds the terminal: a pole of one, or a fuse behind one. */
  private boolean isHeld(TerminalRef end) {
    Terminal known = terminal(end).orElse(null);
    if (known == null) {
      return false;
    }
    if (known.role() == TerminalRole.SUPPLY_24V
        || known.role() == TerminalRole.COMMON_0V
        || known.role() == TerminalRole.MAINS) {
      return true;
    }
    if (known.role() == TerminalRole.FUSE && known.common() != null) {
      return isFed(new TerminalRef(end.device(), known.common()));
    }
    return sheet(end.device()).stream()
        .flatMap(s -> s.terminals().stream())
        .anyMatch(t -> t.role() == TerminalRole.SUPPLY_24V && end.terminal().equals(t.common()));
  }

  /** Whether a fuse stands behind a supply; one that is being asked about already adds nothing. */
  private boolean isFed(TerminalRef feed) {
    if (!asked.add(feed)) {
      return false;
    }
    boolean rail = conductor(feed).rail();
    asked.remove(feed);
    return rail;
  }

  /** To what acts on the terminal, or is acted on, inside the device. */
  private void within(TerminalRef at, Terminal terminal) {
    String device = at.device();
    if (terminal.common() != null) {
      reach(new TerminalRef(device, terminal.common()));
    }
    if (!isReturn(terminal)) {
      terminals(device).stream()
          .filter(r -> terminal.id().equals(terminal(r).map(Terminal::common).orElse(null)))
          .filter(this::isWired)
          .forEach(this::reach);
    }
    Fitted fitted = devices.get(device);
    if (fitted != null && fitted.sheet() instanceof PartSheet part) {
      withinPart(device, terminal, part);
    } else if (fitted != null && fitted.sheet() instanceof DriveSheet drive) {
      withinDrive(device, terminal, drive);
    }
  }

  /** A pole that much hangs on: what hangs there acts on nothing but its own circuit. */
  private static boolean isReturn(Terminal terminal) {
    return terminal.role() == TerminalRole.COMMON_0V
        || terminal.role() == TerminalRole.SUPPLY_24V
        || terminal.role() == TerminalRole.INPUT_COMMON
        || terminal.role() == TerminalRole.ANALOG_COMMON;
  }

  private void withinPart(String device, Terminal terminal, PartSheet part) {
    if (part.hasLogic()) {
      for (TerminalRef ref : terminals(device)) {
        boolean output = terminal(ref).filter(t -> isOutput(t, part)).isPresent();
        if (!output && isWired(ref)) {
          reach(ref);
        }
      }
    } else if (terminal.role().isPositioned()) {
      reachAll(device, TerminalRole.COIL);
      reachAll(device, TerminalRole.POWER_INPUT);
    }
    if (terminal.role() == TerminalRole.LINK_PLUS || terminal.role() == TerminalRole.LINK_MINUS) {
      reachAll(device, TerminalRole.LINE_INPUT);
    }
  }

  /** A contact, or the fed side of nothing else. */
  private static boolean isOutput(Terminal terminal, PartSheet part) {
    return terminal.role().isPositioned()
        || (terminal.role() == TerminalRole.RELAY_COMMON
            && part.terminals().stream().anyMatch(t -> terminal.id().equals(t.common())));
  }

  private void withinDrive(String device, Terminal terminal, DriveSheet drive) {
    boolean shows = drive.setting(SettingRole.OUTPUT_FUNCTION, terminal.id()).isPresent();
    if (shows) {
      reachAll(device, TerminalRole.SAFE_TORQUE_OFF);
    }
  }

  private void reachAll(String device, TerminalRole role) {
    for (TerminalRef ref : terminals(device)) {
      terminal(ref).filter(t -> t.role() == role).ifPresent(t -> reach(ref));
    }
  }

  /** The wires of a conductor without the ends that lead to nothing that was reached. */
  private Set<Wire> pruned(Conductor conductor) {
    Set<Wire> kept = new LinkedHashSet<>(conductor.wires());
    boolean cut = true;
    while (cut) {
      Map<TerminalRef, Integer> degree = new HashMap<>();
      for (Wire wire : kept) {
        degree.merge(wire.from(), 1, Integer::sum);
        degree.merge(wire.to(), 1, Integer::sum);
      }
      cut = kept.removeIf(w -> isLoose(w.from(), degree) || isLoose(w.to(), degree));
    }
    return kept;
  }

  private boolean isLoose(TerminalRef end, Map<TerminalRef, Integer> degree) {
    return !reached.contains(end) && degree.getOrDefault(end, 0) == 1;
  }

  private boolean isWired(TerminalRef terminal) {
    return !index.on(terminal).isEmpty();
  }

  private Optional<Terminal> terminal(TerminalRef ref) {
    return sheet(ref.device()).flatMap(s -> s.terminal(ref.terminal()));
  }

  private Optional<DeviceSheet> sheet(String device) {
    return Optional.ofNullable(devices.get(device)).map(Fitted::sheet);
  }

  private List<TerminalRef> terminals(String device) {
    List<TerminalRef> refs = new ArrayList<>();
    sheet(device)
        .ifPresent(s -> s.terminals().forEach(t -> refs.add(new TerminalRef(device, t.id()))));
    return refs;
  }
}
