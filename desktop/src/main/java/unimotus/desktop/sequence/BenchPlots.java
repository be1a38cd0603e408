package unimotus.desktop.sequence;

import java.util.List;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import unimotus.core.plant.SequencePlayed;
import unimotus.core.quantity.MeasureUnit;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Fitted;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Plot;
import unimotus.desktop.kit.Series;
import unimotus.desktop.station.InputStrips;
import unimotus.desktop.station.RunPlots;
import unimotus.workbench.SequenceRun;

/** Position, rate of the pulses and what inputs and outputs did, under each other. */
final class BenchPlots extends VBox {
  private static final double LEAST_PLOT = 90;

  private final Desk desk;
  private final Plot position = new Plot("Position", "s", "");
  private final Plot rate = new Plot("Rate of the pulses", "s", "Hz");
  private final InputStrips strips = new InputStrips(position.xLow(), position.xHigh());
  private final RunPlots drive;
  private final Label notes = Parts.passing("ink-attention");
  private final Label handling = Parts.prose("A simulation is not a proof.", "ink-caption");

  BenchPlots(Desk desk) {
    super(4);
    this.desk = desk;
    this.drive = new RunPlots(desk);
    rate.xLow().bindBidirectional(position.xLow());
    rate.xHigh().bindBidirectional(position.xHigh());
    rate.cursor().bindBidirectional(position.cursor());
    rate.secondCursor().bindBidirectional(position.secondCursor());
    position.setId("bench-position");
    rate.setId("bench-rate");
    notes.setId("bench-notes");
    for (Plot plot : List.of(position, rate)) {
      VBox.setVgrow(plot, Priority.ALWAYS);
      plot.setPrefHeight(120);
      plot.setMinHeight(LEAST_PLOT);
    }
    VBox.setVgrow(drive, Priority.ALWAYS);
    getChildren().addAll(notes, position, rate, drive, strips, handling);
    clear();
  }

  /** Shows nothing. */
  void clear() {
    shown(false, false);
    strips.show(List.of());
    notes.setText("");
  }

  private void shown(boolean pulses, boolean driven) {
    List.of(position, rate).forEach(p -> p.setManaged(pulses));
    List.of(position, rate).forEach(p -> p.setVisible(pulses));
    drive.setManaged(driven);
    drive.setVisible(driven);
  }

  void show(SequenceRun run) {
    SequencePlayed played = run.played();
    boolean pulses = run.plant().steps() != null;
    shown(pulses, run.drive() != null);
    notes.setText(
        played.notes().stream()
            .map(n -> desk.units().text(n.seconds(), MeasureUnit.SECOND_UNIT) + "  " + n.text())
            .collect(Collectors.joining("\n")));
    double end = Math.max(1e-3, played.seconds());
    if (pulses) {
      MeasureUnit unit = run.plant().unit();
      MeasureUnit shown = desk.units().shown(unit);
      for (Plot plot : List.of(position, rate)) {
        plot.setFormat(desk.units().format());
      }
      position.setYUnit(shown.symbol());
      List<SequencePlayed.Sample> samples = played.samples();
      Fitted.show(
          position,
          List.of(
              series(
                  "as the program counts",
                  "plot-predicted",
                  samples,
                  s -> unit.convert(s.counted(), shown)),
              series("the machine", "plot-live", samples, s -> unit.convert(s.position(), shown))),
          end);
      Fitted.show(
          rate,
          List.of(series("pulses a second", "plot-live", samples, SequencePlayed.Sample::hertz)),
          end);
    } else {
      // The strips are drawn over the time of the plots, which are not shown here.
      position.show(List.of(), 0, end, 0, 1);
    }
    if (run.drive() != null) {
      drive.refresh();
      drive.show(run.drive());
    }
    strips.show(played.strips());
  }

  private static Series series(
      String name,
      String style,
      List<SequencePlayed.Sample> samples,
      ToDoubleFunction<SequencePlayed.Sample> value) {
    return new Series(
        name,
        style,
        samples.size(),
        i -> samples.get(i).seconds(),
        i -> value.applyAsDouble(samples.get(i)));
  }
}
