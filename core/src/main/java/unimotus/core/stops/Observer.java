package unimotus.core.stops;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.LineSolver;
import unimotus.core.wiring.PlacedDevice;
import unimotus.core.wiring.WiringFault;

/**
 * Looks at a stop circuit with its faults by solving it, and remembers what it saw: the same
 * positions come back often while faults are run. Not thread-safe.
 */
final class Observer {
  /** What decides what is seen. */
  private record Key(Set<String> turned, boolean powered, boolean run, boolean relayOn) {}

  private final StopCircuit circuit;
  private final LineSolver solver;
  private final List<WiringFault> faults;
  private final List<TerminalRef> stopping;
  private final List<StopCircuit.Tester> testers;
  private final List<TerminalRef> runOutputs;
  private final Map<Key, Observation> seen = new HashMap<>();
  private @Nullable LineSolution near;

  Observer(StopCircuit circuit, List<WiringFault> faults) {
    this.circuit = circuit;
    this.solver = new LineSolver(circuit.installation());
    this.faults = List.copyOf(faults);
    this.stopping = circuit.stopping();
    this.testers = circuit.testers();
    this.runOutputs = circuit.runOutputs();
  }

  StopCircuit circuit() {
    return circuit;
  }

  /** Whether a safety contact of the relay itself does not open, which the relay notices. */
  boolean relayContactSticks() {
    String relay = circuit.stop().relay();
    return faults.stream()
        .anyMatch(
            f -> f instanceof WiringFault.StuckClosed s && s.contact().device().equals(relay));
  }

  Observation observe(StopState state) {
    boolean run = state.run() && circuit.stop().effect() == StopEffect.RUN_INPUTS;
    Key key = new Key(effective(state), state.powered(), run, state.relay().on());
    return seen.computeIfAbsent(key, k -> look(state));
  }

  /** A curtain that locked itself out stands as if it were interrupted. */
  private Set<String> effective(StopState state) {
    if (!state.curtainLocked()) {
      return state.turned();
    }
    Set<String> turned = new HashSet<>(state.turned());
    turned.addAll(circuit.stop().triggers());
    return turned;
  }

  /** The line's state in the solver's terms. */
  CommandState command(StopState state) {
    CommandState command = CommandState.REST;
    for (String part : effective(state)) {
      command = command.withPosition(part, circuit.demand(part));
    }
    String relay = circuit.stop().relay();
    if (relay != null) {
      command =
          command.withPosition(
              relay, state.relay().on() ? PartSheet.ENERGISED : PartSheet.RELEASED);
    }
    if (state.run() && circuit.stop().effect() == StopEffect.RUN_INPUTS) {
      for (TerminalRef output : runOutputs) {
        command = command.with(output, true);
      }
    }
    return command;
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
    return solver.solve(command(state), faults(state), Set.copyOf(stopping), near);
  }

  private Observation look(StopState state) {
    LineSolution solution = solve(state);
    near = solution;
    PlacedDevice relay = circuit.relay();
    List<Boolean> channels = new ArrayList<>();
    boolean powered = false;
    boolean loop = false;
    if (relay != null) {
      StopCircuit.all(relay, TerminalRole.SAFETY_INPUT)
          .forEach(i -> channels.add(solution.isOn(i)));
      powered = StopCircuit.all(relay, TerminalRole.POWER_INPUT).stream().allMatch(solution::isOn);
      loop = StopCircuit.all(relay, TerminalRole.RESET_INPUT).stream().allMatch(solution::isOn);
    }
    boolean chain = circuit.stop().effect() == StopEffect.RUN_INPUTS;
    return new Observation(
        powered,
        channels,
        loop,
        chain ? List.of(state.powered()) : stopping.stream().map(s -> acts(solution, s)).toList(),
        !chain || stopping.stream().anyMatch(solution::isOn),
        state.powered() ? failedTests(state, solution) : List.of());
  }

  private boolean acts(LineSolution solution, TerminalRef terminal) {
    return circuit.stop().effect() == StopEffect.CONTACTORS
        ? solution.isEnergised(terminal.device())
        : solution.isOn(terminal);
  }

  /** A channel that stays on while its own source is low gets its current from elsewhere. */
  private List<String> failedTests(StopState state, LineSolution steady) {
    List<String> failed = new ArrayList<>();
    for (StopCircuit.Tester tester : testers) {
      if (tester.pulses().stream().anyMatch(p -> stays(state, steady, p))) {
        failed.add(tester.device());
      }
    }
    return failed;
  }

  private boolean stays(StopState state, LineSolution steady, StopCircuit.Pulse pulse) {
    if (!isHigh(steady, pulse.back())) {
      return false;
    }
    List<WiringFault> low = faults(state);
    low.add(new WiringFault.DeadSource(pulse.source()));
    return isHigh(solver.solve(command(state), low, Set.copyOf(stopping), steady), pulse.back());
  }

  /** Whether a terminal stands at a voltage that a safety input takes for on. */
  private boolean isHigh(LineSolution solution, TerminalRef terminal) {
    Optional<Terminal> known = circuit.terminal(terminal);
    if (known.filter(t -> t.role().isBinaryInput()).isPresent()) {
      OptionalDouble volts = solution.volts(terminal, zeroOf(terminal, known.orElseThrow()));
      return volts.orElse(0) >= known.orElseThrow().figure(Figure.ON_VOLTS);
    }
    return solution.voltsToGround(terminal)
        >= TerminalRole.SAFETY_INPUT.typical().get(Figure.ON_VOLTS);
  }

  private TerminalRef zeroOf(TerminalRef terminal, Terminal sheet) {
    return circuit.device(terminal.device()).commonOf(sheet).orElse(terminal);
  }
}
