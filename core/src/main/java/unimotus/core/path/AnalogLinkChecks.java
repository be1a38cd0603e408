package unimotus.core.path;

import static unimotus.core.path.Numbers.text;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import unimotus.core.analog.SignalRange;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Nets;
import unimotus.core.machine.Shield;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.Terminal;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.LineSolver;
import unimotus.core.wiring.PlacedDevice;

/**
 * Whether an analog signal arrives over its wires as it was sent, taken from the solved circuit.
 */
public final class AnalogLinkChecks {
  /** Loss of signal worth a word, as share of the span: the class of a usual panel meter. */
  private static final double NOTABLE_SHARE = 0.005;

  private final AxisAssembly axis;
  private final Installation installation;
  private final Nets nets;
  private final List<Finding> found = new ArrayList<>();

  private AnalogLinkChecks(AxisAssembly axis) {
    this.axis = axis;
    this.installation = Installation.of(axis);
    this.nets = new Nets(axis.wires());
  }

  /** Findings of the reference and of the actual value; possibly empty. */
  public static List<Finding> check(AxisAssembly axis) {
    AnalogLinkChecks checks = new AnalogLinkChecks(axis);
    String controller = axis.controller().id();
    String drive = axis.drive().id();
    checks.link(
        "reference",
        ref(controller, axis.axis().reference().output()),
        ref(drive, axis.axis().reference().input()));
    checks.link(
        "actual value",
        ref(drive, axis.axis().answer().output()),
        ref(controller, axis.axis().answer().input()));
    return checks.found;
  }

  private static Optional<TerminalRef> ref(String device, @Nullable String terminal) {
    return terminal == null ? Optional.empty() : Optional.of(new TerminalRef(device, terminal));
  }

  private void link(String what, Optional<TerminalRef> output, Optional<TerminalRef> input) {
    if (output.isEmpty() || input.isEmpty() || !nets.joined(output.get(), input.get())) {
      return;
    }
    Optional<Terminal> from = installation.terminal(output.get());
    Optional<Terminal> to = installation.terminal(input.get());
    if (from.isPresent() && to.isPresent()) {
      arrival(what, output.get(), from.get(), input.get(), to.get());
      shield(what, output.get());
    }
  }

  private void arrival(
      String what, TerminalRef output, Terminal from, TerminalRef input, Terminal to) {
    SignalRange range = placed(output).rangeOf(output.terminal());
    CommandState full = CommandState.REST.withSignal(output, range.high());
    LineSolution solution = new LineSolver(installation).solve(full);
    OptionalDouble received = solution.received(input);
    if (received.isEmpty() || placed(input).takesCurrent(input.terminal()) != range.isCurrent()) {
      return;
    }
    double lost = range.high() - received.getAsDouble();
    double span = range.high() - Math.max(0, range.low());
    if (lost > NOTABLE_SHARE * span) {
      lost(what, range, from, to, input, received.getAsDouble());
    }
  }

  private void lost(
      String what,
      SignalRange range,
      Terminal from,
      Terminal to,
      TerminalRef input,
      double received) {
    double wires = wireOhms(input);
    double load =
        (range.isCurrent() ? to.figure(Figure.BURDEN_OHMS) : to.figure(Figure.INPUT_OHMS)) + wires;
    boolean outside =
        range.isCurrent()
            ? load > from.figure(Figure.MOST_OHMS)
            : load < from.figure(Figure.LEAST_OHMS);
    String limit =
        range.isCurrent()
            ? "at most " + text(from.figure(Figure.MOST_OHMS)) + " Ω"
            : "at least " + text(from.figure(Figure.LEAST_OHMS)) + " Ω";
    add(
        outside ? Rule.BURDEN : Rule.VOLTAGE_DROP,
        what,
        "%s sends %s and %s receives %s: the load is %s Ω, wires included, %s drives %s"
            .formatted(
                from.id(),
                text(range.high(), range.unit()),
                to.id(),
                text(received, range.unit()),
                text(load),
                from.id(),
                limit),
        "The top of the range is never reached: the motor stays too slow and no scaling corrects it.",
        outside
            ? "Shorten the way, take a larger conductor, or put an isolating amplifier between."
            : "Take a larger conductor, or send a current instead of a voltage.");
  }

  private PlacedDevice placed(TerminalRef ref) {
    return installation.device(ref.device()).orElseThrow();
  }

  private double wireOhms(TerminalRef input) {
    return axis.wires().stream()
        .filter(w -> nets.joined(w.from(), input) || isReturn(w, input))
        .mapToDouble(w -> w.make().ohms())
        .sum();
  }

  private boolean isReturn(Wire wire, TerminalRef input) {
    return installation
        .device(input.device())
        .flatMap(d -> installation.terminal(input).flatMap(d::commonOf))
        .filter(common -> wire.touches(common))
        .isPresent();
  }

  private void shield(String what, TerminalRef output) {
    for (Wire wire : axis.wires()) {
      boolean bare = wire.make().shield() == Shield.NONE && wire.make().lengthMetres() > 0;
      if (wire.touches(output) && bare) {
        found.add(
            new Finding(
                Severity.WARNING,
                Rule.SHIELD,
                "axis/%s/wires/%s".formatted(axis.axis().id(), wire.id()),
                "wire %s carries the %s over %s m without a shield"
                    .formatted(wire.id(), what, text(wire.make().lengthMetres())),
                "The drive's switching couples into it and the speed jitters.",
                "Take a shielded pair. A low-level analog signal is commonly earthed at the panel end"
                    + " only; against noise of high frequency both ends; follow the drive's manual."));
      }
    }
  }

  private void add(Rule rule, String what, String seen, String why, String remedy) {
    found.add(
        new Finding(
            Severity.ERROR,
            rule,
            "axis/%s/wires/%s".formatted(axis.axis().id(), what.replace(' ', '-')),
            seen,
            why,
            remedy));
  }
}
