package unimotus.cli;

import java.io.PrintWriter;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.motion.StepAxis;
import unimotus.core.move.MoveSequence;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.scaling.PositionPath;
import unimotus.core.scaling.ScalingDifference;
import unimotus.core.sheet.SwitchTable;
import unimotus.core.stepper.Coils;
import unimotus.core.stepper.PulseScale;
import unimotus.core.stepper.StepDemand;

/** What there is to tell of an axis on pulses, as text and as a document. */
final class StepTold {
  private static final QuantityFormat PLAIN = QuantityFormat.PLAIN;

  private final StepAxis axis;
  private final String unit;

  StepTold(StepAxis axis) {
    this.axis = axis;
    this.unit = axis.unit().symbol().isEmpty() ? "unit" : axis.unit().symbol();
  }

  /** Whether the program counts the machine's pulses. */
  boolean agrees() {
    return axis.program().filter(ScalingDifference::isEqual).isPresent();
  }

  void print(PrintWriter out) {
    out.println("Coils and switches");
    coils(out);
    out.println();
    out.println("Pulses");
    axis.sum().steps().forEach(s -> out.println("  " + s.text()));
    out.println("  program: " + program());
    out.println();
    out.println("Moves");
    moves(out);
    out.println();
    out.println("What they ask for");
    demand(out);
  }

  private void coils(PrintWriter out) {
    Columns columns = new Columns("  ", Set.of());
    Optional<Coils> coils = axis.coils();
    columns.row("coils", coils.map(c -> c.connection().label()).orElse("connection is not chosen"));
    coils.ifPresent(
        c -> {
          columns.row("rated current", PLAIN.text(c.amperes(), MeasureUnit.AMPERE_UNIT));
          columns.row("resistance", PLAIN.text(c.ohms(), MeasureUnit.OHM_UNIT));
          columns.row("inductance", PLAIN.text(c.henries() * 1000, MeasureUnit.MILLIHENRY));
        });
    columns.row(
        "phase current",
        switches(
            axis.driver().currents(),
            axis.phaseAmperes(),
            "%s A %s"
                .formatted(PLAIN.number(axis.phaseAmperes()), axis.driver().amperes().label())));
    double ofTable =
        (double) axis.pulsesPerTurn() * axis.driver().fullSteps() / axis.plate().stepsPerTurn();
    columns.row(
        "pulses a turn",
        switches(axis.driver().microsteps(), ofTable, Integer.toString(axis.pulsesPerTurn())));
    columns.print(out);
  }

  private static String switches(SwitchTable table, double value, String words) {
    return table.of(value).map(row -> words + ": " + table.words(row)).orElse(words);
  }

  private String program() {
    return axis.program()
        .map(
            d ->
                d.isEqual()
                    ? "equal"
                    : "%s times the machine's pulses"
                        .formatted(PLAIN.number(d.ratio().doubleValue())))
        .orElse("not read");
  }

  private void moves(PrintWriter out) {
    List<MoveSequence.Timed> moves = axis.moves();
    if (moves.isEmpty()) {
      out.println("  none are entered");
      return;
    }
    Columns columns = new Columns("  ", Set.of(0, 2, 3, 4));
    columns.row("begins", "", "to", "takes", "fastest", "");
    PulseScale scale = axis.scale();
    for (MoveSequence.Timed move : moves) {
      columns.row(
          PLAIN.text(move.begins(), MeasureUnit.SECOND_UNIT),
          move.step().label(),
          PLAIN.text(move.plan().to(), axis.unit()),
          PLAIN.text(move.plan().seconds(), MeasureUnit.SECOND_UNIT),
          PLAIN.text(scale.rate(move.plan().peakVelocity()), MeasureUnit.HERTZ_UNIT),
          move.shape().label());
    }
    columns.print(out);
  }

  private void demand(PrintWriter out) {
    Columns columns = new Columns("  ", Set.of(1));
    columns.row(
        "highest rate",
        PLAIN.text(axis.peakHertz(), MeasureUnit.HERTZ_UNIT),
        "the driver takes " + PLAIN.text(axis.driver().mostHertz(), MeasureUnit.HERTZ_UNIT));
    axis.pullInHertz()
        .ifPresent(
            hertz ->
                columns.row(
                    "starts at once up to",
                    PLAIN.text(hertz, MeasureUnit.HERTZ_UNIT),
                    "pull-in rate with its load"));
    Optional<StepDemand> asked = axis.demand();
    if (asked.isEmpty()) {
      columns.row("torque", "", "not known: choose the coils and enter the supply");
    }
    asked.ifPresent(demand -> torque(columns, demand));
    columns.print(out);
  }

  private static void torque(Columns columns, StepDemand demand) {
    columns.row(
        "largest torque", PLAIN.text(demand.peakNewtonMetres(), MeasureUnit.NEWTON_METRE), "");
    columns.row(
        "used of the curve",
        Double.isInfinite(demand.used())
            ? "more than there is"
            : PLAIN.text(100 * demand.used(), MeasureUnit.PERCENT),
        demand.stallsAt().isPresent()
            ? "falls out of step after "
                + PLAIN.text(demand.stallsAt().getAsDouble(), MeasureUnit.SECOND_UNIT)
            : "up to %s is usual"
                .formatted(PLAIN.text(100 * StepDemand.MOST_USED, MeasureUnit.PERCENT)));
    columns.row(
        "among resonances",
        PLAIN.text(demand.bandSeconds(), MeasureUnit.SECOND_UNIT),
        "%.0f to %.0f full steps a second".formatted(StepDemand.BAND_LOW, StepDemand.BAND_HIGH));
  }

  void print(PrintWriter out, double number) {
    PositionPath.Places places = axis.path().fromNumber(number);
    PulseScale.Pulses pulses = axis.scale().pulses(BigDecimal.valueOf(number));
    Columns columns = new Columns("  ", Set.of(1));
    columns.row("number", PLAIN.text(number, axis.unit()));
    columns.row("pulses", PLAIN.number(pulses.whole()));
    columns.row("motor", PLAIN.text(places.motorTurns(), MeasureUnit.REVOLUTION));
    columns.row("gear output", PLAIN.text(places.outputTurns(), MeasureUnit.REVOLUTION));
    columns.row("reached", PLAIN.text(places.reached(), axis.unit()));
    columns.row("missed", PLAIN.text(pulses.missed(), axis.unit()));
    columns.print(out);
    axis.sum().steps().forEach(s -> out.println("    " + s.text()));
  }

  Map<String, @Nullable Object> document(double number) {
    PositionPath.Places places = axis.path().fromNumber(number);
    PulseScale.Pulses pulses = axis.scale().pulses(BigDecimal.valueOf(number));
    return Output.map(
        "axis", axis.axis().id(),
        "unit", unit,
        "number", number,
        "pulses", pulses.whole(),
        "motorTurns", places.motorTurns(),
        "outputTurns", places.outputTurns(),
        "reached", places.reached(),
        "missed", pulses.missed());
  }

  Map<String, @Nullable Object> document() {
    Optional<StepDemand> demand = axis.demand();
    return Output.map(
        "axis",
        axis.axis().id(),
        "unit",
        unit,
        "pulsesPerTurn",
        axis.pulsesPerTurn(),
        "pulsesPerUnit",
        axis.scale().pulsesPerUnit().doubleValue(),
        "programEqual",
        axis.program().map(ScalingDifference::isEqual).orElse(null),
        "seconds",
        axis.plan().seconds(),
        "peakHertz",
        axis.peakHertz(),
        "peakNewtonMetres",
        demand.map(StepDemand::peakNewtonMetres).orElse(null),
        "used",
        demand.map(StepDemand::used).filter(Double::isFinite).orElse(null),
        "stalls",
        demand.map(d -> d.stallsAt().isPresent()).orElse(null));
  }
}
