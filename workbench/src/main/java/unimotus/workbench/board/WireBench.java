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

  /** What a click on a terminal does. */
  public enum Activity {
    WIRING("Wiring", "a click on two terminals connects them"),
    MEASURING("Measuring", "a click on a terminal puts a probe on it; no wire is made or moved");

    private final String label;
    private final String words;

    Activity(String label, String words) {
      this.label = label;
      this.words = words;
    }

    public String label() {
      return label;
    }

    public String words() {
      return words;
    }
  }

  /** A probe of the meter. */
  public enum Lead {
    RED("red"),
    BLACK("black");

    private final String label;

    Lead(String label) {
      this.label = label;
    }

    public String label() {
      return label;
    }
  }

  private final List<WiringFault> faults = new ArrayList<>();
  private final List<Runnable> watchers = new ArrayList<>();
  private CommandState state = CommandState.REST;
  private Function function = Function.VOLTS;
  private Activity activity = Activity.WIRING;
  private @Nullable Lead held;
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

  /** Where a probe is; null where it is on nothing. */
  public @Nullable TerminalRef at(Lead lead) {
    return lead == Lead.RED ? red : black;
  }

  /** Puts a probe on a terminal; null takes it off. */
  public void put(Lead lead, @Nullable TerminalRef at) {
    if (lead == Lead.RED) {
      red = at;
    } else {
      black = at;
    }
    held = held == lead ? null : held;
    changed();
  }

  /** Whether terminals are being wired or measured. */
  public Activity activity() {
    return activity;
  }

  /**
   * Goes over to wiring or measuring. A wire under way is dropped, a probe in the hand put down.
   */
  public void begin(Activity next) {
    activity = next;
    armed = null;
    held = next == Activity.MEASURING && red == null ? Lead.RED : null;
    changed();
  }

  /** The probe in the hand; null where none is. */
  public @Nullable Lead held() {
    return held;
  }

  /** Picks a probe up to measure with it. */
  public void pickUp(Lead lead) {
    if (activity != Activity.MEASURING) {
      begin(Activity.MEASURING);
    }
    held = lead;
    changed();
  }

  /**
   * Measures at a terminal: puts the probe in the hand there, and takes the other one up where it
   * is on nothing yet; picks up the probe that is there where the hand is empty.
   */
  public void probe(TerminalRef at) {
    Lead lead = held;
    if (lead != null) {
      put(lead, at);
      Lead other = lead == Lead.RED ? Lead.BLACK : Lead.RED;
      held = at(other) == null ? other : null;
    } else if (at.equals(black)) {
      held = Lead.BLACK;
    } else {
      // The black one usually stays on a zero while the red one goes round.
      held = Lead.RED;
      if (!at.equals(red)) {
        put(Lead.RED, at);
      }
    }
    changed();
  }

  /** Lets go: of the wire under way, then of the probe in the hand, then of both probes. */
  public void letGo() {
    if (armed != null || held != null) {
      armed = null;
      held = null;
    } else {
      red = null;
      black = null;
    }
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
}
