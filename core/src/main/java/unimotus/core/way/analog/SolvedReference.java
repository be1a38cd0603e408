package unimotus.core.way.analog;

import java.util.Optional;
import java.util.OptionalDouble;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.Terminal;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.LineSolver;
import unimotus.core.wiring.PlacedDevice;

/**
 * The reference as the solved wires carry it: an output drives what it can into what hangs on it,
 * and no more.
 */
final class SolvedReference {
  private static final double MILLIAMPERES = 1000;

  private final AnalogLink link;
  private final TerminalRef output;
  private final TerminalRef input;
  private final Installation installation;
  private final LineSolver solver;

  private SolvedReference(
      AnalogLink link, TerminalRef output, TerminalRef input, Installation installation) {
    this.link = link;
    this.output = output;
    this.input = input;
    this.installation = installation;
    this.solver = new LineSolver(installation);
  }

  /**
   * What stands on the wires.
   *
   * @param onWires what a meter at the output reads, in the unit of the output's range
   * @param received what the drive's input takes, in the same unit; empty where it takes another
   */
  record Signal(double onWires, OptionalDouble received) {}

  /** For an axis; empty where output or input is not chosen. */
  static Optional<SolvedReference> of(AxisAssembly axis, AnalogLink link) {
    String out = axis.axis().reference().output();
    String in = axis.axis().reference().input();
    return out == null || in == null
        ? Optional.empty()
        : Optional.of(
            new SolvedReference(
                link,
                new TerminalRef(axis.controller().id(), out),
                new TerminalRef(axis.drive().id(), in),
                Installation.of(axis)));
  }

  /** With the output told to send so much; empty where the wires have no solution. */
  Optional<Signal> at(double sent) {
    LineSolution solution = solver.solve(CommandState.REST.withSignal(output, sent));
    boolean current = link.module().range().isCurrent();
    OptionalDouble onWires = current ? milliamperes(solution) : volts(solution);
    if (onWires.isEmpty()) {
      return Optional.empty();
    }
    OptionalDouble received = isOfOneKind() ? solution.received(input) : OptionalDouble.empty();
    return Optional.of(new Signal(onWires.getAsDouble(), received));
  }

  /** Whether the full signal never arrives and the drive is told to trip on that. */
  boolean trips() {
    double full = link.module().range().high();
    double received =
        solver.solve(CommandState.REST.withSignal(output, full)).received(input).orElse(0);
    return isOfOneKind()
        && link.input().lossAction() == Option.FAULT
        && link.input().isLost(received);
  }

  private boolean isOfOneKind() {
    boolean current = link.module().range().isCurrent();
    return installation
        .device(input.device())
        .map(d -> d.takesCurrent(input.terminal()) == current)
        .orElse(false);
  }

  private OptionalDouble milliamperes(LineSolution solution) {
    OptionalDouble amperes = solution.delivered(output);
    return amperes.isEmpty() ? amperes : OptionalDouble.of(amperes.getAsDouble() * MILLIAMPERES);
  }

  private OptionalDouble volts(LineSolution solution) {
    Optional<PlacedDevice> controller = installation.device(output.device());
    Optional<String> common = installation.terminal(output).map(Terminal::common);
    return controller.isEmpty() || common.isEmpty()
        ? OptionalDouble.empty()
        : solution.volts(output, controller.get().ref(common.get()));
  }
}
