package unimotus.workbench.board;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Project;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.LineSolver;
import unimotus.core.wiring.Meter;
import unimotus.core.wiring.WiringFault;

/**
 * What is commanded, broken and measured on the wire board, over the whole line. Not part of the
 * project: a fault put in here is put in in thought.
 */
public final class WireBench {
  /** What the meter is set to. */
  public enum Function {
    VOLTS("V", "volts d.c. between the probes"),
    MILLIAMPS("mA", "milliamps d.c. in the chosen wire"),
    OHMS("Ω", "continuity between the probes, with all power off");

    private final String sign;
    private final String words;

    Function(String sign, String words) {
      this.sign = sign;
      this.words = words;
    }

    public String sign() {
      return sign;
    }

    public String words() {
      return words;
    }
  }

  private final List<WiringFault> faults = new ArrayList<>();
  private final List<Runnable> watchers = new ArrayList<>();
  private CommandState state = CommandState.REST;
  private Function function = Function.VOLTS;
  private @Nullable TerminalRef red;
  private @Nullable TerminalRef black;
  private @Nullable TerminalRef armed;
  private @Nullable String wire;
  private @Nullable LineSolver solver;
  private @Nullable LineSolution solution;

  /** The solution before, which the next one is mostly like. */
  private @Nullable LineSolution last;

  private @Nullable Project project;

  /** Adds something to repaint when anything here changes. */
  public void onChange(Runnable watcher) {
    watchers.add(watcher);
  }

  /** Takes the project as it is now. */
  @SuppressWarnings("ReferenceEquality") // Every edit makes a new project.
  public void take(Project next, SheetCatalogue sheets) {
    if (next == project) {
      return;
    }
    project = next;
    last = null;
    solver = new LineSolver(Installation.of(next, sheets));
    Set<String> wires = Set.copyOf(next.wires().stream().map(Wire::id).toList());
    faults.removeIf(f -> f instanceof WiringFault.OpenWire o && !wires.contains(o.wire()));
    faults.removeIf(f -> f instanceof WiringFault.HighResistance h && !wires.contains(h.wire()));
    faults.removeIf(f -> f instanceof WiringFault.MovedEnd m && !wires.contains(m.wire()));
    if (wire != null && !wires.contains(wire)) {
      wire = null;
    }
    red = still(red);
    black = still(black);
    armed = still(armed);
    solution = null;
  }

  private @Nullable TerminalRef still(@Nullable TerminalRef ref) {
    return ref != null && installation().terminal(ref).isPresent() ? ref : null;
  }

  public Installation installation() {
    return solver().installation();
  }

  private LineSolver solver() {
    if (solver == null) {
      throw new IllegalStateException("the bench has no project yet");
    }
    return solver;
  }

  /** What every terminal sees now. */
  public LineSolution solution() {
    LineSolution now = solution;
    if (now == null) {
      now = solver().solve(state, faults, Set.of(), last);
      solution = now;
      last = now;
    }
    return now;
  }

  private void changed() {
    solution = null;
    watchers.forEach(Runnable::run);
  }

  public CommandState state() {
    return state;
  }

  /** Commands another state. */
  public void command(CommandState next) {
    state = next;
    changed();
  }

  /** Stands as it was asked for from elsewhere: commanded and broken. */
  public void pose(CommandState next, List<WiringFault> broken) {
    faults.clear();
    faults.addAll(broken);
    command(next);
  }

  /** Turns an output on or off. */
  public void toggle(TerminalRef output) {
    command(state.with(output, !state.isOn(output)));
  }

  public List<WiringFault> faults() {
    return List.copyOf(faults);
  }

  /** Puts a fault in, or takes it out where it is in already. */
  public void fault(WiringFault fault) {
    if (!faults.remove(fault)) {
      faults.add(fault);
    }
    changed();
  }

  public void mendAll() {
    faults.clear();
    changed();
  }

  public Function function() {
    return function;
  }

  public void set(Function next) {
    function = next;
    changed();
  }

  public @Nullable TerminalRef red() {
    return red;
  }

  public @Nullable TerminalRef black() {
    return black;
  }

  /** Holds the red probe on a terminal. */
  public void red(TerminalRef at) {
    red = at;
    changed();
  }

  /** Holds the black probe on a terminal. */
  public void black(TerminalRef at) {
    black = at;
    changed();
  }

  public @Nullable TerminalRef armed() {
    return armed;
  }

  /** Begins a wire on a terminal; null lets go. */
  public void arm(@Nullable TerminalRef at) {
    armed = at;
    changed();
  }

  /** The chosen wire; empty where none is. */
  public Optional<Wire> wire() {
    return project == null
        ? Optional.empty()
        : project.wires().stream().filter(w -> w.id().equals(wire)).findFirst();
  }

  /** Chooses a wire; null chooses none. */
  public void choose(@Nullable String id) {
    wire = id;
    changed();
  }

  /** What the meter shows: a number in volts, milliamps or ohms; empty where it cannot tell. */
  public OptionalDouble reading() {
    Meter meter = new Meter(solver());
    TerminalRef plus = red;
    TerminalRef minus = black;
    if (function == Function.MILLIAMPS) {
      return wire == null ? OptionalDouble.empty() : meter.milliamps(state, faults, wire);
    }
    if (plus == null || minus == null) {
      return OptionalDouble.empty();
    }
    return function == Function.VOLTS
        ? meter.volts(state, faults, plus, minus)
        : OptionalDouble.of(meter.ohms(state, faults, plus, minus));
  }

  /** What the next key or click does, in words. */
  public String hint() {
    TerminalRef from = armed;
    return from != null
        ? "from %s: choose the other end, Escape to let go".formatted(from)
        : wire()
            .map(w -> "wire %s: Delete removes, M or Shift+click moves an end".formatted(w.id()))
            .orElse("choose two terminals to connect them");
  }
}
