package unimotus.core.discrete;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Condition;
import unimotus.core.machine.Intent;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.InputReading;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.Level;
import unimotus.core.wiring.LineSolver;
import unimotus.core.wiring.WiringFault;

/**
 * Whether a broken wire of the fault report reads as a fault: each wire on the way is opened in
 * turn and the circuit solved.
 */
final class FailSafeChecks {
  private FailSafeChecks() {}

  static List<Finding> check(AxisAssembly axis) {
    List<Finding> found = new ArrayList<>();
    for (Intent intent : axis.intents()) {
      if (intent.when().stream().anyMatch(c -> reportsHealth(axis, c))) {
        check(axis, intent).ifPresent(found::add);
      }
    }
    return found;
  }

  private static boolean reportsHealth(AxisAssembly axis, Condition condition) {
    return condition.device().equals(axis.drive().id())
        && List.of("healthy", "fault").contains(condition.state());
  }

  private static Optional<Finding> check(AxisAssembly axis, Intent intent) {
    LineSolver solver = new LineSolver(Installation.of(axis));
    CommandState faulty = CommandState.REST.withPosition(axis.drive().id(), "fault");
    Level ready = level(solver, CommandState.REST, List.of(), intent.input());
    Level fault = level(solver, faulty, List.of(), intent.input());
    if (ready == fault) {
      return Optional.empty();
    }
    for (Wire wire : axis.wires()) {
      if (wire.touches(intent.input())) {
        WiringFault open = new WiringFault.OpenWire(wire.id());
        if (level(solver, CommandState.REST, List.of(open), intent.input()) != fault) {
          return Optional.of(finding(axis, intent, wire, ready));
        }
      }
    }
    return Optional.empty();
  }

  private static Level level(
      LineSolver solver, CommandState state, List<WiringFault> faults, TerminalRef input) {
    return solver
        .solve(state, faults)
        .input(input)
        .map(InputReading::level)
        .orElse(Level.UNDEFINED);
  }

  private static Finding finding(AxisAssembly axis, Intent intent, Wire wire, Level ready) {
    return new Finding(
        Severity.WARNING,
        Rule.FAIL_SAFE,
        "axis/%s/wires/%s".formatted(axis.axis().id(), wire.id()),
        "with wire %s open, %s still reads %s as for a healthy drive"
            .formatted(wire.id(), intent.input(), ready.label()),
        "A fault of the drive goes unnoticed from the day the wire breaks.",
        "Let the contact be closed while the drive is healthy, and have the program take off for fault.");
  }
}
