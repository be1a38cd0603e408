package unimotus.desktop.station;

import java.util.List;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import unimotus.core.bench.Trace;
import unimotus.core.dryrun.DryRun;
import unimotus.core.quantity.MeasureUnit;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Plot;
import unimotus.desktop.kit.Series;

/** The traces of a dry-run under each other, their cursors and ends moving together. */
public final class RunPlots extends VBox {
  private final Desk desk;
  private final Plot frequency = new Plot("Reference and output", "s", "Hz");
  private final Plot shaft = new Plot("Shaft speed", "s", "rpm");
  private final Plot current = new Plot("Current estimate", "s", "A");
  private final StatusStrip status = new StatusStrip(frequency.xLow(), frequency.xHigh());
  private final InputStrips inputs = new InputStrips(frequency.xLow(), frequency.xHigh());

  /** Empty plots for a desk. */
  public RunPlots(Desk desk) {
    super(4);
    this.desk = desk;
    for (Plot plot : List.of(shaft, current)) {
      plot.xLow().bindBidirectional(frequency.xLow());
      plot.xHigh().bindBidirectional(frequency.xHigh());
      plot.cursor().bindBidirectional(frequency.cursor());
      plot.secondCursor().bindBidirectional(frequency.secondCursor());
    }
    frequency.setId("trace-frequency");
    shaft.setId("trace-shaft");
    plots().forEach(p -> VBox.setVgrow(p, Priority.ALWAYS));
    plots().forEach(p -> p.setPrefHeight(160));
    getChildren().addAll(frequency, shaft, current, status, inputs);
  }

  private List<Plot> plots() {
    return List.of(frequency, shaft, current);
  }

  /** Takes over how numbers are written. */
  public void refresh() {
    plots().forEach(p -> p.setFormat(desk.units().format()));
  }

  /** Draws a run. */
  public void show(DryRun run) {
    Trace next = run.trace();
    double end = next.seconds(next.size() - 1);
    double top =
        1.1
            * Math.max(
                1, Math.max(most(next, Trace.Channel.REFERENCE), most(next, Trace.Channel.OUTPUT)));
    double low = least(next, Trace.Channel.OUTPUT) < -0.01 ? -top : 0;
    frequency.show(
        List.of(
            series(next, Trace.Channel.REFERENCE, "plot-predicted", "reference"),
            series(next, Trace.Channel.OUTPUT, "plot-live", "output")),
        0,
        end,
        low,
        top);
    showShaft(next, low < 0);
    current.show(
        List.of(series(next, Trace.Channel.CURRENT, "plot-live", "current")),
        0,
        end,
        0,
        1.1 * Math.max(0.1, most(next, Trace.Channel.CURRENT)));
    // Strips need the room of one plot, and the current says least about the wires.
    current.setManaged(run.strips().isEmpty());
    current.setVisible(run.strips().isEmpty());
    status.show(next);
    inputs.show(run.strips());
  }

  private void showShaft(Trace next, boolean bothWays) {
    MeasureUnit shown = desk.units().shown(MeasureUnit.RPM);
    double perRpm = MeasureUnit.RPM.convert(1, shown);
    double fastest = 1.1 * perRpm * Math.max(1, most(next, Trace.Channel.SHAFT));
    shaft.setYUnit(shown.symbol());
    shaft.show(
        List.of(
            new Series(
                "shaft",
                "plot-live",
                next.size(),
                next::seconds,
                i -> perRpm * next.value(Trace.Channel.SHAFT, i))),
        0,
        next.seconds(next.size() - 1),
        bothWays ? -fastest : 0,
        fastest);
  }

  private static Series series(Trace t, Trace.Channel channel, String style, String name) {
    return new Series(name, style, t.size(), t::seconds, i -> t.value(channel, i));
  }

  /** The largest size of a channel, not negative. */
  public static double most(Trace t, Trace.Channel channel) {
    double most = 0;
    for (int i = 0; i < t.size(); i++) {
      most = Math.max(most, Math.abs(t.value(channel, i)));
    }
    return most;
  }

  private static double least(Trace t, Trace.Channel channel) {
    double least = 0;
    for (int i = 0; i < t.size(); i++) {
      least = Math.min(least, t.value(channel, i));
    }
    return least;
  }
}
