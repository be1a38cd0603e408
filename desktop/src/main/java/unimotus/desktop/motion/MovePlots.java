package unimotus.desktop.motion;

import java.util.List;
import java.util.function.IntToDoubleFunction;
import javafx.scene.control.Label;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import unimotus.core.motion.ServoAxis;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.servo.ServoTrace;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Fitted;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Plot;
import unimotus.desktop.kit.Series;

/** Position, following error and torque over time, their cursors moving together. */
final class MovePlots extends VBox {
  private final Desk desk;
  private final Plot position = new Plot("Position: set-point and load", "s", "");
  private final Plot error = new Plot("Following error", "s", "");
  private final Plot torque = new Plot("Motor torque", "s", "N·m");
  private final Label refusal = Parts.passing("ink-attention");

  MovePlots(Desk desk) {
    super(4);
    this.desk = desk;
    for (Plot plot : List.of(error, torque)) {
      plot.xLow().bindBidirectional(position.xLow());
      plot.xHigh().bindBidirectional(position.xHigh());
      plot.cursor().bindBidirectional(position.cursor());
      plot.secondCursor().bindBidirectional(position.secondCursor());
    }
    position.setId("move-position");
    error.setId("move-error");
    torque.setId("move-torque");
    refusal.setId("move-refusal");
    getChildren().add(refusal);
    for (Plot plot : List.of(position, error, torque)) {
      VBox.setVgrow(plot, Priority.ALWAYS);
      plot.setPrefHeight(110);
      getChildren().add(plot);
    }
  }

  /** Says why there is nothing to draw. */
  void refuse(String why) {
    refusal.setText(why);
    List.of(position, error, torque).forEach(p -> p.show(List.of(), 0, 1, 0, 1));
  }

  void show(ServoAxis axis, ServoTrace trace) {
    refusal.setText("");
    MeasureUnit shown = desk.units().shown(axis.unit());
    double unit = axis.unit().convert(1, shown) / axis.radiansPerUnit();
    position.setYUnit(shown.symbol());
    error.setYUnit(shown.symbol());
    for (Plot plot : List.of(position, error, torque)) {
      plot.setFormat(desk.units().format());
    }
    draw(
        position,
        trace,
        line("set-point", "plot-predicted", trace, i -> trace.wanted()[i] * unit),
        line("load", "plot-live", trace, i -> trace.load()[i] * unit));
    draw(
        error,
        trace,
        line("following error", "plot-live", trace, i -> trace.followingError(i) * unit));
    draw(torque, trace, line("torque", "plot-live", trace, i -> trace.torque()[i]));
  }

  private static Series line(
      String name, String style, ServoTrace trace, IntToDoubleFunction value) {
    return new Series(name, style, trace.size(), i -> i * trace.period(), value);
  }

  private static void draw(Plot plot, ServoTrace trace, Series... lines) {
    double end = Math.max(trace.period(), (trace.size() - 1) * trace.period());
    Fitted.show(plot, List.of(lines), end);
  }
}
