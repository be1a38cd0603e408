package unimotus.core.plant;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Condition;
import unimotus.core.machine.Intent;
import unimotus.core.machine.TerminalRef;
import unimotus.core.motion.PulseOutput;
import unimotus.core.motion.StepAxis;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.Level;
import unimotus.core.wiring.Meanings;

/** The way of the pulses from the outputs of a controller to a step driver, through the wires. */
final class PulseLine {
  private final PlantWires wires;
  private final AxisAssembly axis;
  private final StepAxis steps;
  private final @Nullable PulseOutput output;
  private final @Nullable TerminalRef direction;
  private Optional<String> wired = Optional.empty();
  private long seen = -1;

  PulseLine(PlantWires wires, AxisAssembly axis, StepAxis steps) {
    this.wires = wires;
    this.axis = axis;
    this.steps = steps;
    this.output = PulseOutput.named(axis).orElse(null);
    this.direction = direction(axis).orElse(null);
  }

  private static Optional<TerminalRef> direction(AxisAssembly axis) {
    return Meanings.of(axis).stream()
        .filter(i -> i.meaning() == Meaning.DIRECTION)
        .filter(i -> i.input().device().equals(axis.drive().id()))
        .map(Intent::when)
        .flatMap(when -> when.stream().filter(Condition::holds))
        .filter(c -> c.device().equals(axis.controller().id()))
        .map(c -> new TerminalRef(c.device(), c.state()))
        .findFirst();
  }

  /** Tells the driver which way; where no output is wired to it, it is not told. */
  void point(boolean backward) {
    if (direction != null) {
      wires.output(direction, backward);
    }
  }

  /** Which way the driver turns as its input reads: 1, −1, or 0 where that is not certain. */
  int way() {
    return switch (input(Meaning.DIRECTION).map(wires::level).orElse(Level.OFF)) {
      case ON -> -1;
      case OFF -> 1;
      case UNDEFINED -> 0;
    };
  }

  /**
   * Why pulses of a rate move nothing, in words; empty where they are counted by a driver that is
   * fed and enabled.
   */
  Optional<String> fault(double hertz) {
    if (output == null) {
      return Optional.of("no output is wired to the step input of the driver");
    }
    if (seen != wires.version()) {
      seen = wires.version();
      wired = unfed().or(this::disabled).or(() -> unheard(output)).or(this::undirected);
    }
    return wired.or(() -> tooFast(output, hertz));
  }

  private Optional<String> unfed() {
    for (Terminal terminal : axis.driveSheet().terminals()) {
      TerminalRef ref = new TerminalRef(axis.drive().id(), terminal.id());
      if (terminal.role() == TerminalRole.POWER_INPUT && wires.level(ref) != Level.ON) {
        return Optional.of("the driver has no supply at %s".formatted(ref));
      }
    }
    return Optional.empty();
  }

  private Optional<String> disabled() {
    Optional<TerminalRef> disable = input(Meaning.DISABLE);
    if (disable.isPresent() && wires.level(disable.get()) != Level.OFF) {
      return Optional.of("%s disables the driver".formatted(disable.get()));
    }
    Optional<TerminalRef> enable = input(Meaning.ENABLE);
    return enable
        .filter(e -> wires.level(e) != Level.ON)
        .map("%s does not enable the driver"::formatted);
  }

  private Optional<String> unheard(PulseOutput of) {
    Level high = wires.levelWith(of.output(), true, of.input());
    Level low = wires.levelWith(of.output(), false, of.input());
    if (high == Level.UNDEFINED || low == Level.UNDEFINED) {
      return Optional.of(
          "%s stands between off and on: pulses may be lost, and are taken as lost"
              .formatted(of.input()));
    }
    return high == low
        ? Optional.of("pulses of %s do not reach %s".formatted(of.output(), of.input()))
        : Optional.empty();
  }

  private Optional<String> tooFast(PulseOutput of, double hertz) {
    double taken =
        axis.driveSheet()
            .terminal(of.input().terminal())
            .flatMap(t -> t.given(Figure.MOST_HERTZ))
            .orElse(steps.driver().mostHertz());
    double given = of.mostHertz() == 0 ? Double.POSITIVE_INFINITY : of.mostHertz();
    double most = Math.min(taken, given);
    return hertz > most * (1 + 1e-9)
        ? Optional.of(
            "%.0f pulses a second are more than the %.0f that %s: they are taken as lost"
                .formatted(
                    hertz, most, given < taken ? of.output() + " gives" : of.input() + " takes"))
        : Optional.empty();
  }

  private Optional<String> undirected() {
    return way() == 0
        ? Optional.of("the direction input stands between off and on")
        : Optional.empty();
  }

  private Optional<TerminalRef> input(Meaning function) {
    return axis.driveSheet().terminals().stream()
        .filter(t -> t.function() == function && t.role().isBinaryInput())
        .map(t -> new TerminalRef(axis.drive().id(), t.id()))
        .findFirst();
  }

  /** Whether the self-test turns the motor whatever the pulses say. */
  boolean isSelfTested() {
    return axis.driveSheet()
        .selector(SelectorRole.SELF_TEST)
        .filter(s -> s.positionIn(axis.drive().selectors()).equals("on"))
        .isPresent();
  }
}
