package unimotus.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import unimotus.core.motion.GainTrial;
import unimotus.core.motion.ServoAxis;
import unimotus.core.move.MoveSequence;
import unimotus.core.move.SetPoints;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.scaling.Holder;
import unimotus.core.scaling.PositionPath;
import unimotus.core.scaling.ScalingDifference;
import unimotus.core.servo.MoveDemand;

/** What there is to tell of a servo axis, as text and as a document. */
final class MoveTold {
  private static final QuantityFormat PLAIN = QuantityFormat.PLAIN;

  private final ServoAxis axis;
  private final String unit;

  MoveTold(ServoAxis axis) {
    this.axis = axis;
    this.unit = axis.unit().symbol();
  }

  void print(PrintWriter out) {
    out.println("Scaling");
    copies(out);
    List<MoveSequence.Timed> moves = axis.moves();
    if (moves.isEmpty()) {
      out.println();
      out.println("No moves are entered.");
      return;
    }
    out.println();
    out.println("Moves");
    moves(out, moves);
    out.println();
    out.println("What they ask of the motor");
    demand(out);
    out.println();
    out.println("Gains on the longest move");
    gains(out);
  }

  private void copies(PrintWriter out) {
    Columns columns = new Columns("  ", Set.of(1, 2));
    columns.row("", "counts for 1 " + unit, "one count", "");
    for (Holder holder : Holder.values()) {
      columns.row(
          holder.label(),
          axis.copies()
              .of(holder)
              .map(c -> PLAIN.number(c.countsPerUnit().doubleValue()))
              .orElse(""),
          axis.copies().of(holder).map(c -> PLAIN.text(c.resolution(), c.unit())).orElse(""),
          axis.copies().againstMachine(holder).map(this::verdict).orElse("not read"));
    }
    columns.print(out);
    axis.path().sum().steps().forEach(s -> out.println("    " + s.text()));
  }

  private String verdict(ScalingDifference difference) {
    if (difference.first() == Holder.MACHINE) {
      return "";
    }
    if (difference.isEqual()) {
      return "equal";
    }
    return "%s times the machine's; %s"
        .formatted(
            PLAIN.number(difference.ratio().doubleValue()),
            difference.causes().stream()
                .map(c -> c.kind().label() + ": " + c.seen())
                .collect(Collectors.joining("; ")));
  }

  private void moves(PrintWriter out, List<MoveSequence.Timed> moves) {
    Columns columns = new Columns("  ", Set.of(0, 2, 3, 4));
    columns.row("begins", "", "to", "takes", "fastest", "");
    for (MoveSequence.Timed move : moves) {
      columns.row(
          PLAIN.text(move.begins(), MeasureUnit.SECOND_UNIT),
          move.step().label(),
          PLAIN.text(move.plan().to(), axis.unit()),
          PLAIN.text(move.plan().seconds(), MeasureUnit.SECOND_UNIT),
          "%s %s/s".formatted(PLAIN.number(move.plan().peakVelocity()), unit),
          move.shape().label());
    }
    columns.print(out);
    SetPoints points = setPoints();
    out.printf(
        "  %d set-points of %s; %s counts at most from one to the next%s%n",
        points.number(),
        PLAIN.text(points.period(), MeasureUnit.SECOND_UNIT),
        PLAIN.number(points.largestStep()),
        points.fitsThirtyTwoBits() ? "" : "; they do not fit 32 bits");
  }

  private SetPoints setPoints() {
    return SetPoints.of(
        axis.plan(), axis.machine().signedCountsPerUnit(), axis.design().cycleSeconds());
  }

  private void demand(PrintWriter out) {
    MoveDemand demand = axis.demand();
    Columns columns = new Columns("  ", Set.of(1));
    columns.row(
        "largest torque",
        PLAIN.text(demand.peakNewtonMetres(), MeasureUnit.NEWTON_METRE),
        "at %s; %s"
            .formatted(
                PLAIN.text(demand.peakAtRpm(), MeasureUnit.RPM),
                axis.curve().peak(demand.peakAtRpm()).isPresent()
                    ? "the motor gives %s for a short time"
                        .formatted(
                            PLAIN.text(
                                axis.curve().peak(demand.peakAtRpm()).getAsDouble(),
                                MeasureUnit.NEWTON_METRE))
                    : "its plate states no torque for a short time there"));
    columns.row(
        "effective torque",
        PLAIN.text(demand.effectiveNewtonMetres(), MeasureUnit.NEWTON_METRE),
        axis.curve().continuous(demand.meanRpm()).isPresent()
            ? "the motor gives %s continuously at %s, their mean speed"
                .formatted(
                    PLAIN.text(
                        axis.curve().continuous(demand.meanRpm()).getAsDouble(),
                        MeasureUnit.NEWTON_METRE),
                    PLAIN.text(demand.meanRpm(), MeasureUnit.RPM))
            : "the plate states no continuous torque at their mean speed");
    columns.row("highest speed", PLAIN.text(demand.peakRpm(), MeasureUnit.RPM), "of the motor");
    columns.row("largest power", PLAIN.text(demand.peakWatts(), MeasureUnit.WATT_UNIT), "");
    columns.row(
        "energy that comes back",
        PLAIN.text(demand.returnedJoules(), MeasureUnit.JOULE_UNIT),
        "over all moves, at the shaft");
    columns.row("inertia ratio", PLAIN.number(axis.load().inertiaRatio()), "load to motor");
    columns.print(out);
  }

  private void gains(PrintWriter out) {
    Columns columns = new Columns("  ", Set.of(1, 2, 3, 4, 5, 6, 7));
    columns.row(
        "", "load", "Kv 1/s", "N·m·s", "Ti", "following error", "overshoot", "settles after", "");
    for (GainTrial trial : GainTrial.all(axis)) {
      columns.row(
          trial.name(),
          "× " + PLAIN.number(trial.loadFactor()),
          PLAIN.number(trial.gains().position()),
          PLAIN.number(trial.gains().velocity()),
          PLAIN.text(trial.gains().integralSeconds(), MeasureUnit.SECOND_UNIT),
          PLAIN.text(trial.largestError(), axis.unit()),
          PLAIN.text(trial.overshoot(), axis.unit()),
          PLAIN.text(trial.settlesAfter(), MeasureUnit.SECOND_UNIT),
          "");
    }
    columns.print(out);
  }

  void print(PrintWriter out, PositionPath.Places places) {
    Columns columns = new Columns("  ", Set.of(1));
    columns.row("number", PLAIN.text(places.number(), axis.unit()));
    columns.row("counts", PLAIN.text(places.counts(), MeasureUnit.COUNTS));
    columns.row("motor", PLAIN.text(places.motorTurns(), MeasureUnit.REVOLUTION));
    columns.row("gear output", PLAIN.text(places.outputTurns(), MeasureUnit.REVOLUTION));
    columns.row("reached", PLAIN.text(places.reached(), axis.unit()));
    columns.print(out);
    axis.path().sum().steps().forEach(s -> out.println("    " + s.text()));
    if (!places.fitsThirtyTwoBits()) {
      out.println("  ! the counts do not fit 32 bits");
    }
  }

  Map<String, @Nullable Object> document(PositionPath.Places places) {
    return Output.map(
        "axis", axis.axis().id(),
        "unit", unit,
        "number", places.number(),
        "counts", places.counts(),
        "motorTurns", places.motorTurns(),
        "outputTurns", places.outputTurns(),
        "reached", places.reached(),
        "fits32Bits", places.fitsThirtyTwoBits());
  }

  Map<String, @Nullable Object> document() {
    List<Object> copies = new ArrayList<>();
    for (Holder holder : Holder.values()) {
      copies.add(copy(holder));
    }
    boolean moving = !axis.moves().isEmpty();
    MoveDemand demand = axis.demand();
    return Output.map(
        "axis",
        axis.axis().id(),
        "unit",
        unit,
        "scaling",
        copies,
        "moves",
        axis.moves().stream().map(MoveTold::move).toList(),
        "seconds",
        demand.seconds(),
        "demand",
        moving
            ? Output.map(
                "peakNewtonMetres", demand.peakNewtonMetres(),
                "peakAtRpm", demand.peakAtRpm(),
                "effectiveNewtonMetres", demand.effectiveNewtonMetres(),
                "meanRpm", demand.meanRpm(),
                "peakRpm", demand.peakRpm(),
                "peakWatts", demand.peakWatts(),
                "returnedJoules", demand.returnedJoules(),
                "inertiaRatio", axis.load().inertiaRatio())
            : null,
        "largestStepCounts",
        setPoints().largestStep(),
        "gains",
        GainTrial.all(axis).stream().map(MoveTold::trial).toList());
  }

  private Map<String, @Nullable Object> copy(Holder holder) {
    ScalingDifference difference = axis.copies().againstMachine(holder).orElse(null);
    return Output.map(
        "copy",
        holder.name().toLowerCase(java.util.Locale.ROOT),
        "read",
        difference != null,
        "countsPerUnit",
        axis.copies().of(holder).map(c -> c.countsPerUnit().doubleValue()).orElse(null),
        "ratio",
        difference == null ? null : difference.ratio().doubleValue(),
        "equal",
        difference == null ? null : difference.isEqual(),
        "causes",
        difference == null
            ? List.of()
            : difference.causes().stream().map(c -> c.kind().label() + ": " + c.seen()).toList());
  }

  private static Map<String, @Nullable Object> move(MoveSequence.Timed move) {
    return Output.map(
        "begins", move.begins(),
        "step", move.step().label(),
        "from", move.plan().from(),
        "to", move.plan().to(),
        "seconds", move.plan().seconds(),
        "peakVelocity", move.plan().peakVelocity(),
        "peakAcceleration", move.plan().peakAcceleration(),
        "shape", move.shape().name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'));
  }

  private static Map<String, @Nullable Object> trial(GainTrial trial) {
    return Output.map(
        "name", trial.name(),
        "loadFactor", trial.loadFactor(),
        "positionGain", trial.gains().position(),
        "velocityGain", trial.gains().velocity(),
        "integralSeconds", trial.gains().integralSeconds(),
        "largestFollowingError", trial.largestError(),
        "overshoot", trial.overshoot(),
        "settlesAfter", trial.settlesAfter());
  }
}
