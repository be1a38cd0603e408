package unimotus.core.discrete;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.TerminalRef;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.Terminal;
import unimotus.core.stepper.SeriesResistor;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.PlacedDevice;
import unimotus.core.wiring.TruthTable;

/** Whether supplies, outputs and contacts carry what the solved circuit asks of them. */
final class LoadChecks {
  private static final double NOTHING_AMPERES = 2e-5;

  private final AxisAssembly axis;
  private final TruthTable table;
  private final Map<String, Finding> found = new LinkedHashMap<>();

  /** The most that each contact switches in any state, in amperes. */
  private final Map<TerminalRef, Double> switched = new LinkedHashMap<>();

  private LoadChecks(AxisAssembly axis, TruthTable table) {
    this.axis = axis;
    this.table = table;
  }

  static List<Finding> check(AxisAssembly axis, TruthTable table) {
    LoadChecks checks = new LoadChecks(axis, table);
    Installation installation = Installation.of(axis);
    for (TruthTable.Row row : table.rows()) {
      row.solution().contradiction().ifPresent(reason -> checks.contradiction(row, reason));
      if (!row.solution().isSettled()) {
        checks.chatter(row);
      }
      installation.devices().forEach(d -> checks.loads(row, d));
    }
    installation.devices().forEach(checks::filmed);
    installation.devices().forEach(d -> SupplyChecks.mains(d).ifPresent(checks::add));
    return List.copyOf(checks.found.values());
  }

  private void loads(TruthTable.Row row, PlacedDevice device) {
    for (Terminal terminal : device.sheet().terminals()) {
      TerminalRef ref = device.ref(terminal.id());
      terminal.given(Figure.BEARS_AMPERES).ifPresent(bears -> input(row, ref, terminal, bears));
      OptionalDouble amperes = row.solution().delivered(ref);
      if (amperes.isEmpty()) {
        continue;
      }
      switch (terminal.role()) {
        case SUPPLY_24V, REFERENCE_10V -> supply(row, ref, terminal, amperes.getAsDouble());
        case SOURCING_OUTPUT, SINKING_OUTPUT, PULSE_OUTPUT, LINE_DRIVER ->
            output(row, ref, terminal, amperes.getAsDouble());
        case RELAY_CONTACT -> contact(row, ref, terminal, amperes.getAsDouble());
        case RESISTOR -> resistor(row, ref, terminal, amperes.getAsDouble());
        default -> {}
      }
    }
  }

  /** An opto input for a lower voltage burns, and looks right until it does. */
  private void input(TruthTable.Row row, TerminalRef ref, Terminal terminal, double bears) {
    row.solution()
        .input(ref)
        .filter(reading -> reading.amperes() > bears)
        .ifPresent(
            reading ->
                add(
                    Severity.ERROR,
                    Rule.INPUT_CURRENT,
                    ref,
                    "%s takes %s at %.3g V with %s, over the %s it bears"
                        .formatted(
                            ref,
                            milliamps(reading.amperes()),
                            reading.volts(),
                            row.label(),
                            milliamps(bears)),
                    "Its diode ages within hours or burns at once.",
                    resistor(reading.volts(), terminal, bears)));
  }

  private void resistor(TruthTable.Row row, TerminalRef ref, Terminal terminal, double amperes) {
    double watts = amperes * amperes * terminal.figure(Figure.OHMS);
    terminal
        .given(Figure.BEARS_WATTS)
        .filter(bears -> watts > bears)
        .ifPresent(
            bears ->
                add(
                    Severity.ERROR,
                    Rule.RESISTOR_HEAT,
                    ref,
                    "%s turns %.2g W to heat with %s, it bears %s W"
                        .formatted(ref, watts, row.label(), QuantityFormat.PLAIN.number(bears)),
                    "It chars and opens, or burns what is beside it.",
                    "Take one for twice the heat at least, or another resistance."));
  }

  private static String resistor(double volts, Terminal terminal, double bears) {
    double needs = terminal.figure(Figure.ON_AMPERES);
    double forward = terminal.figure(Figure.FORWARD_VOLTS);
    double inside = terminal.figure(Figure.INPUT_OHMS);
    if (!(needs > 0) || needs >= bears) {
      return "Give it the voltage its sheet states.";
    }
    return SeriesResistor.of(volts, new SeriesResistor.Input(forward, inside, needs, bears))
        .map(
            fit ->
                String.format(
                    Locale.ROOT,
                    "Put %.0f Ω, %s W or more, in series before it: %s flow then.",
                    fit.ohms(),
                    QuantityFormat.PLAIN.number(fit.ratedWatts()),
                    milliamps(fit.amperes())))
        .orElse("No resistor of the series brings it right: give it the voltage its sheet states.");
  }

  private void supply(TruthTable.Row row, TerminalRef ref, Terminal terminal, double amperes) {
    SupplyChecks.overload(ref, terminal, amperes, row.label()).ifPresent(this::add);
  }

  private void output(TruthTable.Row row, TerminalRef ref, Terminal terminal, double amperes) {
    double limit = terminal.figure(Figure.LIMIT_AMPERES);
    if (amperes >= SupplyChecks.REACHED * limit) {
      add(
          Severity.ERROR,
          Rule.SHORT_CIRCUIT,
          ref,
          "%s carries its limit of %s with %s".formatted(ref, milliamps(limit), row.label()),
          "The output is shorted or overloaded; it switches off or burns.",
          "Follow its wire: it meets 0 V, 24 V or another output.");
    }
  }

  /** A contact that lies behind an output carries next to nothing while that is off. */
  private void filmed(PlacedDevice device) {
    for (Terminal terminal : device.sheet().terminals()) {
      TerminalRef ref = device.ref(terminal.id());
      double amperes = switched.getOrDefault(ref, 0.0);
      double least = terminal.figure(Figure.LEAST_AMPERES);
      if (amperes > NOTHING_AMPERES && amperes < least) {
        add(
            Severity.WARNING,
            Rule.CONTACT_LOAD,
            ref,
            "contact %s switches %s, less than the %s that keep it clean"
                .formatted(ref, milliamps(amperes), milliamps(least)),
            "The contact films over and in time no longer makes.",
            "Use a contact for small signals, or a resistor that adds load.");
      }
    }
  }

  private void contact(TruthTable.Row row, TerminalRef ref, Terminal terminal, double amperes) {
    switched.merge(ref, amperes, Math::max);
    if (amperes > terminal.figure(Figure.LIMIT_AMPERES)) {
      add(
          Severity.ERROR,
          Rule.SHORT_CIRCUIT,
          ref,
          "contact %s carries %s with %s, over its %s"
              .formatted(
                  ref,
                  milliamps(amperes),
                  row.label(),
                  milliamps(terminal.figure(Figure.LIMIT_AMPERES))),
          "The contact welds, or what feeds it breaks down.",
          "Follow the contact's wires: they connect a supply to its own return.");
    }
  }

  private void contradiction(TruthTable.Row row, String reason) {
    add(
        Severity.ERROR,
        Rule.SHORT_CIRCUIT,
        new TerminalRef(axis.controller().id(), "wires"),
        "%s: %s".formatted(row.label(), reason),
        "Such a circuit cannot be switched on.",
        "Remove the wire that connects them.");
  }

  private void chatter(TruthTable.Row row) {
    add(
        Severity.ERROR,
        Rule.NOT_AS_MEANT,
        new TerminalRef(axis.controller().id(), "wires"),
        "a relay opens its own coil circuit with " + row.label(),
        "It chatters and burns its contacts.",
        "Hold the coil by another contact.");
  }

  private void add(SupplyChecks.Fault fault) {
    add(fault.severity(), fault.rule(), fault.at(), fault.seen(), fault.why(), fault.remedy());
  }

  private static String milliamps(double amperes) {
    return String.format(Locale.ROOT, "%.3g mA", amperes * 1000);
  }

  private void add(
      Severity severity, Rule rule, TerminalRef at, String seen, String why, String remedy) {
    found.putIfAbsent(
        rule + "/" + at,
        new Finding(
            severity,
            rule,
            "axis/%s/%s/%s".formatted(axis.axis().id(), at.device(), at.terminal()),
            seen,
            why,
            remedy));
  }
}
