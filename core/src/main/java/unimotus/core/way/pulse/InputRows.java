package unimotus.core.way.pulse;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.TerminalRef;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Part;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.proof.Tolerances;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.InputReading;
import unimotus.core.wiring.Level;
import unimotus.core.wiring.TruthTable;

/** What is measured at the isolated inputs of a step driver while they are on. */
final class InputRows {
  /** Key of the current in an input, before its terminal. */
  static final String AMPERES = Predictor.LINK_STATE + "amperes.";

  /** Key of the voltage at an input, before its terminal. */
  static final String VOLTS = Predictor.LINK_STATE + "volts.";

  /** A meter in series, and what the diode and the resistor differ by (common practice). */
  private static final double SHARE = 0.15;

  private static final double MILLI = 1000;

  private InputRows() {}

  /** Volts and milliamps at each input that is meant on in some state and reads on there. */
  static List<Prediction> of(AxisAssembly axis) {
    TruthTable table = TruthTable.of(axis);
    List<Prediction> rows = new ArrayList<>();
    for (TerminalRef input : table.inputs()) {
      Optional<Terminal> terminal =
          input.device().equals(axis.drive().id())
              ? axis.driveSheet().terminal(input.terminal())
              : Optional.empty();
      terminal
          .filter(t -> t.role() == TerminalRole.OPTO_INPUT)
          .ifPresent(t -> add(rows, table, input, t));
    }
    return rows;
  }

  private static void add(
      List<Prediction> rows, TruthTable table, TerminalRef input, Terminal terminal) {
    table.rows().stream()
        .filter(r -> Boolean.TRUE.equals(r.cell(input).meant()))
        .filter(r -> r.cell(input).level() == Level.ON && r.cell(input).reading() != null)
        .findFirst()
        .ifPresent(
            row -> {
              InputReading reading = row.cell(input).reading();
              if (reading != null) {
                rows.add(volts(row, input, terminal, reading.volts()));
                rows.add(amperes(row, input, reading.amperes()));
              }
            });
  }

  private static Prediction volts(
      TruthTable.Row row, TerminalRef input, Terminal terminal, double volts) {
    return new Prediction(
        VOLTS + input.terminal(),
        "Inputs of the driver",
        "%s against %s, %s".formatted(input.terminal(), terminal.common(), row.label()),
        new Expectation.Amount(volts, Tolerances.meter(volts), MeasureUnit.VOLT_UNIT),
        null,
        Double.NaN,
        "at " + input,
        "multimeter",
        "Motor's supply off, so that nothing turns. Hold the output on by hand; red probe on %s, black on %s."
            .formatted(input.terminal(), terminal.common()),
        EnumSet.of(Part.WIRES, Part.DRIVE, Part.CONTROLLER),
        solved(row, "U", volts, MeasureUnit.VOLT_UNIT));
  }

  private static Prediction amperes(TruthTable.Row row, TerminalRef input, double amperes) {
    double milliamps = amperes * MILLI;
    return new Prediction(
        AMPERES + input.terminal(),
        "Inputs of the driver",
        "current into %s, %s".formatted(input.terminal(), row.label()),
        new Expectation.Amount(milliamps, SHARE * milliamps, MeasureUnit.MILLIAMPERE),
        null,
        Double.NaN,
        "in series with " + input,
        "multimeter",
        "Motor's supply off. Meter in series with the wire on %s; hold the output on by hand."
            .formatted(input.terminal()),
        EnumSet.of(Part.WIRES, Part.DRIVE, Part.CONTROLLER),
        solved(row, "I", milliamps, MeasureUnit.MILLIAMPERE));
  }

  private static Derivation solved(
      TruthTable.Row row, String symbol, double value, MeasureUnit unit) {
    return Derivation.of(
        new Step(
            symbol,
            "",
            "circuit of the axis solved, " + row.label(),
            value,
            unit,
            "Kirchhoff's laws, modified nodal analysis"));
  }
}
