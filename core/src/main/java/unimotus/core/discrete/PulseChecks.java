package unimotus.core.discrete;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Nets;
import unimotus.core.machine.TerminalRef;
import unimotus.core.motion.PulseOutput;
import unimotus.core.motion.StepAxis;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.InputReading;
import unimotus.core.wiring.Level;
import unimotus.core.wiring.Meanings;
import unimotus.core.wiring.Resistors;
import unimotus.core.wiring.TruthTable;

/** Whether pulses arrive at a step driver: from an output made for them, with enough current. */
final class PulseChecks {
  /** Capacitance between the cores of a control cable (common practice). */
  private static final double FARADS_PER_METRE = 100e-12;

  /** A level is settled after so many time constants (e⁻⁵ is under 1 %). */
  private static final double SETTLED = 5;

  /** A supply may be a tenth off what is written on it (common practice). */
  private static final double LIKE = 0.1;

  private final AxisAssembly axis;
  private final TruthTable table;
  private final List<Finding> found = new ArrayList<>();

  private PulseChecks(AxisAssembly axis, TruthTable table) {
    this.axis = axis;
    this.table = table;
  }

  static List<Finding> check(AxisAssembly axis, TruthTable table) {
    if (!axis.isStepped()) {
      return List.of();
    }
    PulseChecks checks = new PulseChecks(axis, table);
    checks.inputs();
    checks.enable();
    checks.supply();
    checks.selfTest();
    PulseOutput.named(axis).ifPresent(checks::output);
    return checks.found;
  }

  /** An input that neither goes on nor stays off counts some pulses and misses others. */
  private void inputs() {
    for (TerminalRef input : table.inputs()) {
      Optional<Terminal> terminal = terminal(input);
      boolean moves =
          Meanings.of(axis).stream()
              .anyMatch(
                  i ->
                      i.input().equals(input)
                          && (i.meaning() == Meaning.STEP || i.meaning() == Meaning.DIRECTION));
      if (terminal.isPresent() && moves) {
        table.rows().stream()
            .filter(row -> Boolean.TRUE.equals(row.cell(input).meant()))
            .filter(row -> row.cell(input).level() != Level.ON)
            .filter(row -> row.cell(input).reading() != null)
            .findFirst()
            .ifPresent(row -> weak(row, input, terminal.get()));
      }
    }
  }

  /** A driver whose enable input never lets it run. */
  private void enable() {
    for (TerminalRef input : table.inputs()) {
      Meaning function = terminal(input).map(Terminal::function).orElse(null);
      boolean wired = axis.wires().stream().anyMatch(w -> w.touches(input));
      boolean disabled = function == Meaning.DISABLE && never(input, Level.OFF);
      boolean unheard = function == Meaning.ENABLE && never(input, Level.ON);
      if (wired && (disabled || unheard)) {
        add(
            Severity.ERROR,
            Rule.NO_PERMISSION,
            "%s/%s".formatted(input.device(), input.terminal()),
            disabled
                ? "%s is on in every state: the driver stays disabled".formatted(input)
                : "%s is on in no state: the driver stays disabled".formatted(input),
            "The motor has no torque, turns freely, and no pulse moves it.",
            disabled
                ? "Remove what drives it, or wire an output to it."
                : "Follow its wires; look at the resistor and the other end of the input.");
      }
    }
  }

  private boolean never(TerminalRef input, Level level) {
    return table.rows().stream().noneMatch(r -> r.cell(input).level() == level);
  }

  /** It turns the motor by itself, without a pulse. */
  private void selfTest() {
    axis.driveSheet()
        .selector(SelectorRole.SELF_TEST)
        .filter(s -> s.positionIn(axis.drive().selectors()).equals(Option.ON.word()))
        .ifPresent(
            s ->
                add(
                    Severity.ERROR,
                    Rule.COMMAND_AT_REST,
                    "%s/%s".formatted(axis.drive().id(), s.id()),
                    "%s is on: the driver turns its motor without any pulse".formatted(s.label()),
                    "The axis moves as soon as it is powered and enabled, against its ends too.",
                    "Switch it off; use it only with the motor uncoupled."));
  }

  /** What the wires give the driver, beside what was entered. */
  private void supply() {
    double entered = StepAxis.of(axis).map(a -> a.design().stepping().supplyVolts()).orElse(0.0);
    for (Terminal terminal : axis.driveSheet().terminals()) {
      if (terminal.role() != TerminalRole.POWER_INPUT) {
        continue;
      }
      TerminalRef input = new TerminalRef(axis.drive().id(), terminal.id());
      Optional<InputReading> reading =
          table.rows().stream()
              .findFirst()
              .filter(row -> row.cells().containsKey(input))
              .flatMap(row -> Optional.ofNullable(row.cell(input).reading()));
      if (reading.isEmpty()) {
        unfed(input);
      } else if (reading.get().level() != Level.ON) {
        fed(
            Severity.ERROR,
            input,
            "%s gets %s".formatted(input, text(reading.get().volts(), MeasureUnit.VOLT_UNIT)),
            "The driver does not work.");
      } else if (entered > 0 && Math.abs(reading.get().volts() / entered - 1) > LIKE) {
        fed(
            Severity.WARNING,
            input,
            "%s gets %s, and %s is entered for its supply"
                .formatted(
                    input,
                    text(reading.get().volts(), MeasureUnit.VOLT_UNIT),
                    text(entered, MeasureUnit.VOLT_UNIT)),
            "Torque over speed is worked out of what is entered.");
      }
    }
  }

  private void unfed(TerminalRef input) {
    fed(
        Severity.WARNING,
        input,
        "no supply is wired to %s".formatted(input),
        "Whether the driver is fed as it should is not looked at.");
  }

  private void fed(Severity severity, TerminalRef input, String seen, String why) {
    add(
        severity,
        Rule.STEP_SUPPLY,
        "%s/%s".formatted(input.device(), input.terminal()),
        seen,
        why,
        "Wire it to a supply of the voltage its sheet states, and enter that at Map, Motion, Coils.");
  }

  private Optional<Terminal> terminal(TerminalRef input) {
    return input.device().equals(axis.drive().id())
        ? axis.driveSheet()
            .terminal(input.terminal())
            .filter(t -> t.role() == TerminalRole.OPTO_INPUT)
        : Optional.empty();
  }

  private void weak(TruthTable.Row row, TerminalRef input, Terminal terminal) {
    InputReading reading = row.cell(input).reading();
    if (reading == null || reading.amperes() <= 0) {
      return;
    }
    add(
        Severity.ERROR,
        Rule.PULSES_LOST,
        "%s/%s".formatted(input.device(), input.terminal()),
        "%s gets %s at %.3g V with %s, it is on from %s"
            .formatted(
                input,
                milliamps(reading.amperes()),
                reading.volts(),
                row.label(),
                milliamps(terminal.figure(Figure.ON_AMPERES))),
        "Some pulses count and some do not, with the warmth of the day: the axis stops short.",
        "A smaller resistor before it, or a higher voltage.");
  }

  private void output(PulseOutput output) {
    TerminalRole role = output.terminal().role();
    String place = "%s/%s".formatted(output.output().device(), output.output().terminal());
    if (role == TerminalRole.RELAY_CONTACT) {
      add(
          Severity.ERROR,
          Rule.PULSE_OUTPUT,
          place,
          "%s is a relay contact, and its pulses step the motor".formatted(output.output()),
          "A contact bounces: one pulse becomes several, and it is worn within hours.",
          "Use a transistor output or a line driver.");
    } else if (output.mostHertz() == 0) {
      add(
          Severity.WARNING,
          Rule.PULSE_OUTPUT,
          place,
          "the sheet of %s states no highest pulse rate for %s"
              .formatted(axis.controller().name(), output.output()),
          "A usual output switches a few hundred times a second at most.",
          "Use an output made for pulses, or add the rate to the sheet.");
    }
    StepAxis.of(axis).ifPresent(steps -> cable(output, steps));
  }

  /** The cable is charged through the resistors of the input; a line driver charges it at once. */
  private void cable(PulseOutput output, StepAxis steps) {
    double metres = metres(output);
    if (metres == 0 || output.terminal().role() == TerminalRole.LINE_DRIVER) {
      return;
    }
    double ohms = seriesOhms(output);
    double hertz;
    try {
      hertz = steps.peakHertz();
    } catch (IllegalArgumentException outside) {
      // The checks of the axis name the move; there is no rate to hold the cable against.
      return;
    }
    double settle = SETTLED * ohms * FARADS_PER_METRE * metres;
    if (hertz > 0 && settle > 0.5 / hertz) {
      add(
          Severity.WARNING,
          Rule.PULSE_CABLE,
          "%s/%s".formatted(output.input().device(), output.input().terminal()),
          "%s of cable and %s settle in %s; half a pulse at %s lasts %s"
              .formatted(
                  text(metres, MeasureUnit.METRE_UNIT),
                  text(ohms, MeasureUnit.OHM_UNIT),
                  text(settle, MeasureUnit.SECOND_UNIT),
                  text(hertz, MeasureUnit.HERTZ_UNIT),
                  text(0.5 / hertz, MeasureUnit.SECOND_UNIT)),
          "The input may not see every pulse (100 pF a metre, five time constants).",
          "A shorter cable, a line driver, or fewer pulses a turn.");
    }
  }

  private double metres(PulseOutput output) {
    Nets nets = new Nets(Resistors.bridged(axis));
    return axis.wires().stream()
        .filter(w -> nets.joined(w.from(), output.output()))
        .mapToDouble(w -> w.make().lengthMetres())
        .sum();
  }

  private double seriesOhms(PulseOutput output) {
    Nets nets = new Nets(Resistors.bridged(axis));
    double before =
        axis.parts().stream()
            .flatMap(
                p ->
                    p.sheet().terminals().stream()
                        .filter(t -> t.role() == TerminalRole.RESISTOR)
                        .filter(
                            t ->
                                nets.joined(
                                    new TerminalRef(p.part().id(), t.id()), output.output())))
            .mapToDouble(t -> t.figure(Figure.OHMS))
            .sum();
    double inside =
        axis.driveSheet()
            .terminal(output.input().terminal())
            .map(t -> t.figure(Figure.INPUT_OHMS))
            .orElse(0.0);
    return before + inside;
  }

  private void add(
      Severity severity, Rule rule, String part, String seen, String why, String remedy) {
    found.add(
        new Finding(
            severity, rule, "axis/%s/%s".formatted(axis.axis().id(), part), seen, why, remedy));
  }

  private static String text(double value, MeasureUnit unit) {
    return QuantityFormat.PLAIN.text(value, unit);
  }

  private static String milliamps(double amperes) {
    return String.format(Locale.ROOT, "%.3g mA", amperes * 1000);
  }
}
