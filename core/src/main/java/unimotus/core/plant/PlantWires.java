package unimotus.core.plant;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Part;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.InputReading;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.Level;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.LineSolver;
import unimotus.core.wiring.PlacedDevice;
import unimotus.core.wiring.WiringFault;

/**
 * The wires round a controller in the state they are in now. A relay with a manual reset that was
 * let go stays off until its reset comes. Not thread-safe.
 */
public final class PlantWires {
  private static final int KEPT = 4096;

  private final Installation installation;
  private final LineSolver solver;
  private final Set<TerminalRef> asked = new LinkedHashSet<>();
  private final List<WiringFault> faults = new ArrayList<>();
  private final Map<CommandState, LineSolution> known = new HashMap<>();
  private final List<PlacedDevice> waiting;
  private final Set<String> dropped = new HashSet<>();
  private CommandState state = CommandState.REST;
  private @Nullable LineSolution last;
  private @Nullable LineSolution now;
  private long version;

  /** Wires at rest: outputs off, switches free, nothing broken. */
  public PlantWires(Installation installation) {
    this.installation = installation;
    this.solver = new LineSolver(installation);
    for (PlacedDevice device : installation.devices()) {
      device.sheet().terminals().stream()
          .filter(t -> t.role().isBinaryInput())
          .filter(t -> installation.isWired(device.ref(t.id())))
          .forEach(t -> asked.add(device.ref(t.id())));
    }
    this.waiting =
        installation.devices().stream()
            .filter(d -> d.sheet() instanceof PartSheet)
            .filter(d -> ((PartSheet) d.sheet()).first(TerminalRole.SAFETY_INPUT).isPresent())
            .filter(d -> Option.MANUAL.word().equals(d.selector(SelectorRole.RESET_MODE, "")))
            .toList();
  }

  /**
   * Switches an output.
   *
   * @return whether it was not so already
   */
  public boolean output(TerminalRef output, boolean on) {
    boolean changes = state.isOn(output) != on;
    if (changes) {
      change(state.with(output, on));
    }
    return changes;
  }

  /** Operates a switch, or lets it go. */
  public void operate(String part, boolean operated) {
    position(part, operated)
        .filter(p -> !p.equals(state.position(part, "")))
        .ifPresent(p -> change(state.withPosition(part, p)));
  }

  /** Puts a part into a position of its sheet. */
  public void move(String part, String position) {
    change(state.withPosition(part, position));
  }

  private void change(CommandState next) {
    state = next;
    now = null;
    version++;
  }

  /** Grows with every change, so that what was worked out can be kept until then. */
  long version() {
    return version;
  }

  /** The position of a switch at rest, or the one after it; empty where it is no switch. */
  private Optional<String> position(String part, boolean operated) {
    return installation
        .device(part)
        .filter(d -> d.device() instanceof Part)
        .map(d -> ((PartSheet) d.sheet()).positions())
        .filter(positions -> positions.size() > 1)
        .map(positions -> positions.get(operated ? 1 : 0));
  }

  /** Whether a part is there and has two positions that something can operate. */
  public boolean isSwitch(String part) {
    return position(part, true).isPresent();
  }

  /** Breaks something. */
  public void fail(WiringFault fault) {
    faults.add(fault);
    known.clear();
    change(state);
  }

  /** Repairs everything that broke. */
  public void repair() {
    faults.clear();
    known.clear();
    change(state);
  }

  /** What comes of it now. */
  public LineSolution solution() {
    LineSolution current = now;
    if (current == null) {
      current = reset(solution(state));
      now = current;
    }
    return current;
  }

  /** Relays that let go, and those whose reset came since. */
  private LineSolution reset(LineSolution found) {
    LineSolution current = found;
    for (PlacedDevice relay : waiting) {
      if (dropped.contains(relay.id()) && isReset(current, relay)) {
        dropped.remove(relay.id());
        current = solution(state);
      }
      if (!current.isEnergised(relay.id())) {
        dropped.add(relay.id());
      }
    }
    return current;
  }

  private static boolean isReset(LineSolution solution, PlacedDevice relay) {
    return relay.sheet().terminals().stream()
        .filter(t -> t.role() == TerminalRole.RESET_INPUT)
        .anyMatch(t -> solution.isOn(relay.ref(t.id())));
  }

  private LineSolution solution(CommandState wanted) {
    CommandState of = wanted;
    for (String relay : dropped) {
      of = of.withPosition(relay, PartSheet.RELEASED);
    }
    if (known.size() > KEPT) {
      known.clear();
    }
    LineSolution solution = known.get(of);
    if (solution == null) {
      solution = solver.solve(of, faults, asked, last);
      known.put(of, solution);
    }
    last = solution;
    return solution;
  }

  /** How an input reads now; off where it is not wired. */
  public Level level(TerminalRef input) {
    return level(solution(), input);
  }

  /** How an input would read with an output on or off. */
  public Level levelWith(TerminalRef output, boolean on, TerminalRef input) {
    return level(solution(state.with(output, on)), input);
  }

  /** How an input would read with a switch operated or let go; off where it is not wired. */
  public Level levelWith(String part, boolean operated, TerminalRef input) {
    return position(part, operated)
        .map(p -> level(solution(state.withPosition(part, p)), input))
        .orElse(Level.OFF);
  }

  private static Level level(LineSolution solution, TerminalRef input) {
    return solution.input(input).map(InputReading::level).orElse(Level.OFF);
  }

  /** Whether a part's coil has the voltage that pulls it in. */
  public boolean isEnergised(String part) {
    return solution().isEnergised(part);
  }

  /** Whether a part's coil would have it with an output on. */
  boolean isEnergisedWith(TerminalRef output, String part) {
    return solution(state.with(output, true)).isEnergised(part);
  }

  /** Why the wires have no solution; empty where they have one. */
  public Optional<String> contradiction() {
    return solution().contradiction();
  }

  /** The installation. */
  public Installation installation() {
    return installation;
  }

  /** The wired inputs of a device. */
  public List<TerminalRef> inputs(String device) {
    return asked.stream().filter(a -> a.device().equals(device)).toList();
  }
}
