package unimotus.core.motion;

import java.util.Optional;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Condition;
import unimotus.core.machine.Intent;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.Terminal;
import unimotus.core.wiring.Level;
import unimotus.core.wiring.Meanings;
import unimotus.core.wiring.TruthTable;

/**
 * The output of the controller whose pulses reach a driver.
 *
 * @param input of the driver
 * @param output of the controller
 * @param terminal that output as its sheet has it
 */
public record PulseOutput(TerminalRef input, TerminalRef output, Terminal terminal) {

  /**
   * The output whose pulses switch the step input of an axis, as the circuit is solved; empty where
   * none does.
   */
  public static Optional<PulseOutput> of(AxisAssembly axis) {
    return named(axis).filter(o -> o.arrives(axis));
  }

  /** Whether the input sees it; how well is a matter of the checks. */
  private boolean arrives(AxisAssembly axis) {
    return TruthTable.of(axis, state -> state.isOn(output)).rows().stream()
        .filter(row -> row.cells().containsKey(input))
        .anyMatch(row -> row.cell(input).level() != Level.OFF);
  }

  /** The output that is meant to step it; empty where none is. */
  public static Optional<PulseOutput> named(AxisAssembly axis) {
    return Meanings.of(axis).stream()
        .filter(i -> i.meaning() == Meaning.STEP && i.input().device().equals(axis.drive().id()))
        .flatMap(i -> from(axis, i).stream())
        .findFirst();
  }

  private static Optional<PulseOutput> from(AxisAssembly axis, Intent intent) {
    return intent.when().stream()
        .filter(Condition::holds)
        .filter(c -> c.device().equals(axis.controller().id()))
        .flatMap(c -> output(axis, intent, c).stream())
        .findFirst();
  }

  private static Optional<PulseOutput> output(
      AxisAssembly axis, Intent intent, Condition condition) {
    return axis.controllerSheet()
        .terminal(condition.state())
        .map(t -> new PulseOutput(intent.input(), new TerminalRef(condition.device(), t.id()), t));
  }

  /** Highest rate it gives, in hertz; 0 where its sheet is silent. */
  public double mostHertz() {
    return terminal.given(Figure.MOST_HERTZ).orElse(0.0);
  }

  /** Share of its period that a pulse is on; 0 where its sheet is silent. */
  public double duty() {
    return terminal.given(Figure.DUTY).orElse(0.0);
  }

  /**
   * The shorter of the times that a pulse of a rate is on and off; endless where that is silent.
   */
  public double shortestSeconds(double hertz) {
    double duty = duty();
    return duty == 0 ? Double.POSITIVE_INFINITY : Math.min(duty, 1 - duty) / hertz;
  }
}
