package unimotus.core.stops;

import java.util.List;
import java.util.Optional;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Figure;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.LineSolver;
import unimotus.core.wiring.WiringFault;

/** What really feeds a drive's safety inputs: seen by taking each source of test pulses low. */
final class FeedKind {
  private FeedKind() {}

  /** Whether test pulses arrive; empty where the inputs are not on in any case. */
  static Optional<Boolean> of(StopCircuit circuit) {
    StopMachine machine = new StopMachine(circuit, List.of(), Doubt.READS_ON);
    StopState at = machine.from(Starting.usual(circuit));
    LineSolution steady = machine.solution(at);
    List<TerminalRef> on =
        circuit.stopping().stream().filter(s -> isHigh(circuit, steady, s)).toList();
    if (on.isEmpty()) {
      return Optional.empty();
    }
    LineSolver solver = new LineSolver(circuit.installation());
    for (TestPulses.Pulse pulse : new TestPulses(circuit).pulseSources()) {
      LineSolution low =
          solver.solve(machine.command(at), List.of(new WiringFault.DeadSource(pulse.source())));
      if (on.stream().anyMatch(s -> !isHigh(circuit, low, s))) {
        return Optional.of(true);
      }
    }
    return Optional.of(false);
  }

  private static boolean isHigh(StopCircuit circuit, LineSolution solution, TerminalRef input) {
    double on = circuit.terminal(input).orElseThrow().figure(Figure.ON_VOLTS);
    return circuit.voltsAt(solution, input).orElse(0) >= on;
  }
}
