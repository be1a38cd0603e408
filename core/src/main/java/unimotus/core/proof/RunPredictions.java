package unimotus.core.proof;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.TerminalRef;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SettingRole;
import unimotus.core.wiring.Level;
import unimotus.core.wiring.TruthTable;

/** What the meter should show at the input that runs the motor, where a wire commands it. */
final class RunPredictions {
  /** Less than this could not be told from an open wire. */
  private static final double LEAST_VOLTS = 5;

  private RunPredictions() {}

  /** Volts at the run input while it is commanded; none where no wire switches it on. */
  static List<Prediction> of(AxisAssembly axis) {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    if (!settings.is(SettingRole.COMMAND_SOURCE, Option.TERMINALS, Option.TERMINALS)) {
      return List.of();
    }
    return settings
        .inputFor(Meaning.RUN_FORWARD.word())
        .map(t -> new TerminalRef(axis.drive().id(), t))
        .flatMap(input -> commanded(TruthTable.of(axis), input))
        .map(row -> List.of(prediction(axis, settings, row)))
        .orElse(List.of());
  }

  /** The first state in which the input is meant on, reads on, and has volts to measure. */
  private static Optional<TruthTable.Row> commanded(TruthTable table, TerminalRef input) {
    return table.inputs().contains(input)
        ? table.rows().stream()
            .filter(r -> Boolean.TRUE.equals(r.cell(input).meant()))
            .filter(r -> r.cell(input).level() == Level.ON)
            .filter(r -> Math.abs(volts(r, input).orElse(0)) >= LEAST_VOLTS)
            .findFirst()
        : Optional.empty();
  }

  private static OptionalDouble volts(TruthTable.Row row, TerminalRef input) {
    return row.solution().voltsToOwnZero(input);
  }

  private static Prediction prediction(
      AxisAssembly axis, EffectiveSettings settings, TruthTable.Row row) {
    TerminalRef input =
        new TerminalRef(
            axis.drive().id(), settings.inputFor(Meaning.RUN_FORWARD.word()).orElseThrow());
    double volts = volts(row, input).orElseThrow();
    return new Prediction(
        Predictor.RUN_VOLTS,
        "Permission",
        "%s against its common, run commanded".formatted(input.terminal()),
        new Expectation.Amount(volts, Tolerances.meter(volts), MeasureUnit.VOLT_UNIT),
        null,
        Double.NaN,
        "at " + input,
        "multimeter",
        "Permission open, so that nothing turns. Command run; red probe on %s, black on the common of the drive's inputs."
            .formatted(input.terminal()),
        EnumSet.of(Part.WIRES, Part.DRIVE, Part.CONTROLLER),
        Derivation.of(
            new Step(
                "U",
                "",
                "circuit of the axis solved, " + row.label(),
                volts,
                MeasureUnit.VOLT_UNIT,
                "Kirchhoff's laws, modified nodal analysis")));
  }
}
