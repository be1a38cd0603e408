package unimotus.core.dryrun;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.TerminalRef;
import unimotus.core.path.Chain;
import unimotus.core.path.SeenInputs;
import unimotus.core.path.SignalPath;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.InputReading;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.Level;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.LineSolver;
import unimotus.core.wiring.PlacedDevice;
import unimotus.core.wiring.PowerNet;
import unimotus.core.wiring.WiringFault;

/** The wires of an axis in the state they are in now, and what its drive sees. Not thread-safe. */
final class WiredLine implements SeenInputs {
  private static final Set<Meaning> UNPLAYED =
      EnumSet.of(Meaning.EXTERNAL_FAULT, Meaning.ENABLE_RAMP, Meaning.PULSE_REFERENCE);

  private final AxisAssembly axis;
  private final SignalPath main;
  private final List<Chain> beside;
  private final Installation installation;
  private final LineSolver solver;
  private final EffectiveSettings settings;
  private final Map<TerminalRef, Meaning> functions = new LinkedHashMap<>();
  private final List<PlacedDevice> waiting;
  private final Set<TerminalRef> asked = new LinkedHashSet<>();

  private final Map<TerminalRef, Double> sent = new HashMap<>();
  private final List<WiringFault> faults = new ArrayList<>();
  private final Set<String> dropped = new HashSet<>();
  private CommandState state = CommandState.REST;
  private boolean mains = true;
  private boolean fed = true;
  private double number;
  private LineSolution solution;
  private Set<Meaning> on = EnumSet.noneOf(Meaning.class);

  WiredLine(AxisAssembly axis, SignalPath main, List<Chain> beside) {
    this.axis = axis;
    this.main = main;
    this.beside = beside;
    this.installation = Installation.of(axis);
    this.solver = new LineSolver(installation);
    this.settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    for (Terminal terminal : axis.driveSheet().terminals()) {
      settings
          .functionOf(terminal.id())
          .flatMap(Meaning::find)
          .ifPresent(m -> functions.put(new TerminalRef(axis.drive().id(), terminal.id()), m));
    }
    this.waiting =
        axis.parts().stream()
            .map(p -> new PlacedDevice(p.part(), p.sheet()))
            .filter(d -> ((PartSheet) d.sheet()).first(TerminalRole.SAFETY_INPUT).isPresent())
            .filter(d -> Option.MANUAL.word().equals(d.selector(SelectorRole.RESET_MODE, "")))
            .toList();
    safeTorqueOff().forEach(asked::add);
    asked.addAll(functions.keySet());
    this.solution = solved(null);
    look();
  }

  /** The functions that inputs of the drive are set to. */
  Set<Meaning> assigned() {
    return Set.copyOf(functions.values());
  }

  /** The inputs of the drive with a function, in the order of its terminals. */
  Map<TerminalRef, Meaning> functions() {
    return functions;
  }

  LineSolution solution() {
    return solution;
  }

  CommandState state() {
    return state;
  }

  void apply(Change change) {
    if (change instanceof Change.Commanded c) {
      command(c.number());
    } else if (change instanceof Change.Switched c) {
      state = state.with(c.output(), c.on());
    } else if (change instanceof Change.Sent c) {
      sent.put(c.output(), c.value());
    } else if (change instanceof Change.Moved c) {
      state = state.withPosition(c.device(), c.position());
    } else if (change instanceof Change.Powered c) {
      mains = c.on();
    } else if (change instanceof Change.Broken c) {
      faults.add(c.fault());
    } else if (change instanceof Change.Mended) {
      faults.clear();
    }
  }

  private void command(double next) {
    number = next;
    Map<TerminalRef, Double> signals = new HashMap<>(main.link().signals(axis, main, next));
    beside.forEach(c -> signals.putAll(c.path().link().signals(axis, c.path(), next)));
    signals.forEach((terminal, value) -> state = state.withSignal(terminal, value));
  }

  /** What the drive shows at its outputs. */
  void show(String driveState) {
    state = state.withPosition(axis.drive().id(), driveState);
  }

  /** Solves the wires as they are now; a relay that waits for its reset stays off. */
  void look() {
    solution = solved(solution);
    for (PlacedDevice relay : waiting) {
      if (dropped.contains(relay.id()) && isReset(relay)) {
        dropped.remove(relay.id());
        solution = solved(solution);
      }
      if (!solution.isEnergised(relay.id())) {
        dropped.add(relay.id());
      }
    }
    fed = looksFed();
    on = EnumSet.noneOf(Meaning.class);
    functions.forEach(
        (input, meaning) -> {
          if (level(input) == Level.ON) {
            on.add(meaning);
          }
        });
  }

  private boolean isReset(PlacedDevice relay) {
    return relay.sheet().terminals().stream()
        .filter(t -> t.role() == TerminalRole.RESET_INPUT)
        .anyMatch(t -> solution.isOn(relay.ref(t.id())));
  }

  private LineSolution solved(@Nullable LineSolution near) {
    CommandState next = state;
    for (Map.Entry<TerminalRef, Double> signal : sent.entrySet()) {
      next = next.withSignal(signal.getKey(), signal.getValue());
    }
    for (String relay : dropped) {
      next = next.withPosition(relay, PartSheet.RELEASED);
    }
    return solver.solve(next, faults, asked, near);
  }

  /** How an input reads, the drive's active level taken into account. */
  Level level(TerminalRef input) {
    Level level = solution.input(input).map(InputReading::level).orElse(Level.OFF);
    return settings.is(SettingRole.INPUT_LEVEL, Option.ACTIVE_LOW, Option.ACTIVE_HIGH)
        ? level.inverted()
        : level;
  }

  /** The functions whose inputs read on. */
  Set<Meaning> on() {
    return on;
  }

  /** Inputs that are wired to a function a dry-run does not play, with that function. */
  List<String> unplayed() {
    return functions.entrySet().stream()
        .filter(f -> UNPLAYED.contains(f.getValue()))
        .filter(f -> axis.wires().stream().anyMatch(w -> w.touches(f.getKey())))
        .map(f -> "%s (%s)".formatted(f.getKey(), f.getValue().label()))
        .toList();
  }

  /** Inputs that stand between off and on: they may read either way. */
  List<TerminalRef> undefined() {
    return Stream.concat(functions.keySet().stream(), safeTorqueOff().stream())
        .filter(i -> level(i) == Level.UNDEFINED)
        .toList();
  }

  private List<TerminalRef> safeTorqueOff() {
    return axis.driveSheet().terminals().stream()
        .filter(t -> t.role() == TerminalRole.SAFE_TORQUE_OFF)
        .map(t -> new TerminalRef(axis.drive().id(), t.id()))
        .toList();
  }

  /** Whether safe torque off and the enable that is assigned let it run. */
  boolean isPermitted() {
    boolean enabled = !assigned().contains(Meaning.ENABLE) || on.contains(Meaning.ENABLE);
    return enabled && safeTorqueOff().stream().allMatch(solution::isOn);
  }

  /** Whether the drive had its mains when the wires were last solved; contactors in them count. */
  boolean isFed() {
    return fed;
  }

  private boolean looksFed() {
    PlacedDevice drive = new PlacedDevice(axis.drive(), axis.driveSheet());
    return mains && new PowerNet(installation, state, solution.energised(), faults).isFed(drive);
  }

  /**
   * The frequency that is wanted by the chain that holds now; the last of several beside counts.
   */
  double wantedHertz() {
    Chain held = null;
    for (Chain chain : beside) {
      held = chain.path().link().holds(this) ? chain : held;
    }
    SignalPath path = held == null ? main : held.path();
    return path.speedFor("the dry-run").wantedHertz(path, this);
  }

  /** Whether Hand is asked for and nothing is known of what sets the speed then. */
  boolean isReferenceUnknown() {
    return on.contains(Meaning.MANUAL_REQUEST)
        && beside.stream().noneMatch(c -> c.path().link().isOfManualRequest());
  }

  @Override
  public double number() {
    return number;
  }

  @Override
  public OptionalDouble received(String input) {
    return solution.received(new TerminalRef(axis.drive().id(), input));
  }

  @Override
  public boolean isOn(Meaning meaning) {
    return on.contains(meaning);
  }

  /** Why the wires have no solution; empty where they have one. */
  Optional<String> contradiction() {
    return solution.contradiction();
  }
}
