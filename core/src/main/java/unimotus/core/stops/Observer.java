package unimotus.core.stops;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.TerminalRef;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.InputReading;
import unimotus.core.wiring.Level;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.LineSolver;
import unimotus.core.wiring.PlacedDevice;
import unimotus.core.wiring.PowerNet;
import unimotus.core.wiring.WiringFault;

/**
 * Looks at a stop circuit with its faults by solving it, and remembers what it saw: the same
 * positions come back often while faults are run. Not thread-safe.
 */
final class Observer {
  /** Length of an output's test pulses where its sheet is silent (common practice). */
  private static final double PULSE_SECONDS = 0.0005;

  /** What decides what is seen. */
  private record Key(
      Map<String, String> positions,
      Set<TerminalRef> outputs,
      boolean powered,
      boolean run,
      Set<String> relaysOn,
      Map<String, String> drivesShow,
      Set<String> locked) {}

  private final StopCircuit circuit;
  private final LineSolver solver;
  private final List<WiringFault> faults;
  private final Doubt doubt;
  private final List<PlacedDevice> relays;
  private final List<PlacedDevice> drives;
  private final Map<String, List<TerminalRef>> permissions = new HashMap<>();
  private final Set<String> answering = new HashSet<>();
  private final List<TerminalRef> runInputs;
  private final Set<TerminalRef> asked = new LinkedHashSet<>();
  private final List<TestPulses.Tester> testers;
  private final List<TerminalRef> runOutputs;
  private final Map<Key, Observation> seen = new HashMap<>();
  private final Set<String> unclear = new LinkedHashSet<>();
  private @Nullable String contradiction;
  private @Nullable LineSolution near;

  Observer(
      StopCircuit circuit, List<WiringFault> faults, Doubt doubt, @Nullable LineSolution begin) {
    this.near = begin;
    this.circuit = circuit;
    this.solver = new LineSolver(circuit.installation());
    this.faults = List.copyOf(faults);
    this.doubt = doubt;
    this.relays = circuit.relays();
    this.drives = circuit.drives();
    for (PlacedDevice drive : drives) {
      permissions.put(drive.id(), circuit.permissions(drive));
      if (circuit.answers(drive)) {
        answering.add(drive.id());
      }
    }
    // Wired inputs and safe torque off are solved in any case; the others are asked for.
    circuit.stopping().stream()
        .filter(s -> !circuit.isWired(s) && !isSafeTorqueOff(s))
        .forEach(asked::add);
    this.runInputs =
        circuit.stop().effect() == StopEffect.RUN_INPUTS ? circuit.stopping() : List.of();
    this.testers = new TestPulses(circuit).testers();
    this.runOutputs = circuit.runOutputs();
  }

  private boolean isSafeTorqueOff(TerminalRef ref) {
    return circuit.terminal(ref).filter(t -> t.role() == TerminalRole.SAFE_TORQUE_OFF).isPresent();
  }

  /** Terminals whose voltage lay between off and on in any state, in words; possibly empty. */
  Set<String> unclear() {
    return unclear;
  }

  /** Why a state has no solution or does not come to rest; null where every one has. */
  @Nullable String contradiction() {
    return contradiction;
  }

  /** Whether a safety contact of a relay itself does not open, which the relay notices. */
  boolean contactSticks(String relay) {
    return faults.stream()
        .anyMatch(
            f -> f instanceof WiringFault.StuckClosed s && s.contact().device().equals(relay));
  }

  Observation observe(StopState state) {
    return seen.computeIfAbsent(key(state), k -> look(state));
  }

  private Key key(StopState state) {
    Set<String> on = new HashSet<>();
    relays.stream().filter(r -> state.relay(r.id()).on()).forEach(r -> on.add(r.id()));
    Map<String, String> show = new HashMap<>();
    for (PlacedDevice drive : drives) {
      String shows = state.drive(drive.id()).shows();
      if (answering.contains(drive.id()) || shows.equals(CommandState.NO_POWER)) {
        show.put(drive.id(), shows);
      }
    }
    return new Key(
        state.positions(),
        state.outputs(),
        state.powered(),
        state.run() && !runOutputs.isEmpty(),
        on,
        show,
        state.locked());
  }

  /** The line's state in the solver's terms. */
  CommandState command(StopState state) {
    Map<String, String> positions = new HashMap<>(state.positions());
    // A curtain that locked itself out stands as if it were interrupted.
    state.locked().forEach(c -> positions.put(c, circuit.demand(c)));
    for (PlacedDevice relay : relays) {
      boolean on = state.relay(relay.id()).on();
      positions.put(relay.id(), on ? PartSheet.ENERGISED : PartSheet.RELEASED);
    }
    for (PlacedDevice drive : drives) {
      positions.put(drive.id(), state.drive(drive.id()).shows());
    }
    Set<TerminalRef> on = new HashSet<>(state.outputs());
    if (state.run()) {
      on.addAll(runOutputs);
    }
    return new CommandState(on, Map.of(), positions);
  }

  private List<WiringFault> faults(StopState state) {
    List<WiringFault> all = new ArrayList<>(faults);
    if (!state.powered()) {
      circuit.sources().forEach(s -> all.add(new WiringFault.DeadSource(s)));
    }
    return all;
  }

  /** The solution of the circuit as it stands. */
  LineSolution solve(StopState state) {
    return solver.solve(command(state), faults(state), asked, near);
  }

  private Observation look(StopState state) {
    LineSolution solution = solve(state);
    near = solution;
    noteDoubts(solution);
    List<Gap> gaps = state.powered() ? gaps(state, solution) : List.of();
    Map<String, Observation.RelaySight> relaySights = new HashMap<>();
    for (PlacedDevice relay : relays) {
      relaySights.put(relay.id(), relaySight(relay, solution, gaps));
    }
    PowerNet power =
        new PowerNet(circuit.installation(), command(state), solution.energised(), faults);
    Map<String, Observation.DriveSight> driveSights = new HashMap<>();
    for (PlacedDevice drive : drives) {
      driveSights.put(drive.id(), driveSight(drive, solution, gaps, power));
    }
    return new Observation(relaySights, driveSights, failedTests(gaps));
  }

  private void noteDoubts(LineSolution solution) {
    Optional<String> none = solution.contradiction();
    if (none.isPresent()) {
      contradiction = none.get();
    } else if (!solution.isSettled()) {
      contradiction = "a relay opens its own coil and never comes to rest";
    }
  }

  private Observation.RelaySight relaySight(
      PlacedDevice relay, LineSolution solution, List<Gap> gaps) {
    List<Boolean> channels = new ArrayList<>();
    for (TerminalRef input : StopTraits.all(relay, TerminalRole.SAFETY_INPUT)) {
      channels.add(reads(solution, input) && gaps.stream().noneMatch(g -> g.isSeenBy(input)));
    }
    return new Observation.RelaySight(
        StopTraits.all(relay, TerminalRole.POWER_INPUT).stream().allMatch(solution::isOn),
        channels,
        StopTraits.all(relay, TerminalRole.RESET_INPUT).stream().allMatch(i -> reads(solution, i)));
  }

  private Observation.DriveSight driveSight(
      PlacedDevice drive, LineSolution solution, List<Gap> gaps, PowerNet power) {
    boolean own = drive.id().equals(circuit.axis().drive().id());
    String motor = circuit.axis().motor().id();
    List<TerminalRef> inputs = permissions.getOrDefault(drive.id(), List.of());
    List<Boolean> read = new ArrayList<>();
    boolean steady = false;
    for (TerminalRef input : inputs) {
      read.add(reads(solution, input) && gaps.stream().noneMatch(g -> g.isSeenBy(input)));
      steady |= isSteady(solution, input);
    }
    return new Observation.DriveSight(
        power.isFed(drive),
        !own || power.isJoined(motor, drive),
        own && power.isOnMains(motor),
        read,
        inputs.containsAll(safeTorqueOff(drive))
            || safeTorqueOff(drive).stream().allMatch(i -> reads(solution, i)),
        !own || runInputs.isEmpty() || runInputs.stream().anyMatch(i -> reads(solution, i)),
        steady);
  }

  private static List<TerminalRef> safeTorqueOff(PlacedDevice drive) {
    return StopTraits.all(drive, TerminalRole.SAFE_TORQUE_OFF);
  }

  /** Whether an input is taken for on; what lies between is noted and taken as the doubt says. */
  private boolean reads(LineSolution solution, TerminalRef input) {
    Optional<InputReading> reading = solution.input(input);
    Level level = reading.map(InputReading::level).orElse(Level.OFF);
    if (level != Level.UNDEFINED) {
      return level == Level.ON;
    }
    if (isSteady(solution, input)) {
      return false;
    }
    unclear.add(
        "%s is at %s, between off and on"
            .formatted(
                circuit.name(input),
                QuantityFormat.PLAIN.text(
                    Math.round(10 * reading.orElseThrow().volts()) / 10.0, MeasureUnit.VOLT_UNIT)));
    return doubt == Doubt.READS_ON;
  }

  /** Whether an input that is set for test pulses gets a voltage without any. */
  private boolean isSteady(LineSolution solution, TerminalRef input) {
    PlacedDevice device = circuit.device(input.device());
    return device.isPulseTested()
        && solution
            .input(input)
            .filter(r -> r.level() == Level.UNDEFINED)
            .filter(r -> r.volts() >= onVolts(input))
            .isPresent();
  }

  private double onVolts(TerminalRef input) {
    return circuit.terminal(input).orElseThrow().figure(Figure.ON_VOLTS);
  }

  /** The moment of one test pulse: its source is low. */
  private final class Gap {
    private final String tester;
    private final TestPulses.Pulse pulse;
    private final LineSolution steady;
    private final LineSolution low;

    Gap(String tester, TestPulses.Pulse pulse, LineSolution steady, LineSolution low) {
      this.tester = tester;
      this.pulse = pulse;
      this.steady = steady;
      this.low = low;
    }

    /** A channel that stays on while its own source is low gets its current from elsewhere. */
    boolean fails() {
      return isHigh(steady, pulse.back()) && isHigh(low, pulse.back());
    }

    /** Whether an input of another device takes the gap for an open channel. */
    boolean isSeenBy(TerminalRef input) {
      Terminal terminal = circuit.terminal(input).orElseThrow();
      double filter = terminal.given(Figure.FILTER_SECONDS).orElse(Double.MAX_VALUE);
      double length =
          circuit
              .terminal(pulse.source())
              .flatMap(t -> t.given(Figure.PULSE_SECONDS))
              .orElse(PULSE_SECONDS);
      return !input.device().equals(tester)
          && filter < length
          && steady.isOn(input)
          && !low.isOn(input);
    }
  }

  /** A relay that is off is not asked for its tests: it makes them as soon as it is on. */
  private List<Gap> gaps(StopState state, LineSolution steady) {
    List<Gap> gaps = new ArrayList<>();
    for (TestPulses.Tester tester : testers) {
      if (relays.stream().anyMatch(r -> r.id().equals(tester.device()))
          && !state.relay(tester.device()).on()) {
        continue;
      }
      for (TestPulses.Pulse pulse : tester.pulses()) {
        if (isHigh(steady, pulse.back())) {
          List<WiringFault> low = faults(state);
          low.add(new WiringFault.DeadSource(pulse.source()));
          LineSolution dark = solver.solve(command(state), low, asked, steady);
          gaps.add(new Gap(tester.device(), pulse, steady, dark));
        }
      }
    }
    return gaps;
  }

  private static Set<String> failedTests(List<Gap> gaps) {
    Set<String> failed = new HashSet<>();
    gaps.stream().filter(Gap::fails).forEach(g -> failed.add(g.tester));
    return failed;
  }

  /** Whether a terminal stands at a voltage that a safety input takes for on. */
  private boolean isHigh(LineSolution solution, TerminalRef terminal) {
    Optional<Terminal> known = circuit.terminal(terminal);
    if (known.filter(t -> t.role().isBinaryInput()).isPresent()) {
      OptionalDouble volts = solution.volts(terminal, zeroOf(terminal, known.orElseThrow()));
      return volts.orElse(0) >= known.orElseThrow().figure(Figure.ON_VOLTS);
    }
    return solution.voltsToGround(terminal)
        >= Objects.requireNonNull(TerminalRole.SAFETY_INPUT.typical().get(Figure.ON_VOLTS));
  }

  private TerminalRef zeroOf(TerminalRef terminal, Terminal sheet) {
    return circuit.device(terminal.device()).commonOf(sheet).orElse(terminal);
  }
}
