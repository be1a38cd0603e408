package unimotus.desktop.stop;

import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Line;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.stops.Reaction;
import unimotus.core.stops.StopPhase;
import unimotus.core.stops.StopTimeline;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;

/** From the hand to the standing shaft: every element with what it does and when it has done it. */
final class ChainPane extends FlowPane {
  private static final double STROKE_LENGTH = 14;

  private final Desk desk;

  ChainPane(Desk desk) {
    super(0, 6);
    this.desk = desk;
    setId("stop-chain");
  }

  void show(String axis, StopTimeline timeline) {
    getChildren().clear();
    double at = 0;
    for (Reaction reaction : timeline.chain()) {
      at += reaction.seconds();
      link(
          reaction.element().replace(axis + " ", ""),
          "%s, +%s ms".formatted(reaction.does(), number(reaction.seconds() * 1000)),
          text(at),
          "plot-live");
    }
    for (StopPhase phase : timeline.phases()) {
      if (phase.kind() != StopPhase.Kind.REACTION) {
        boolean driven = phase.kind() == StopPhase.Kind.RAMP || phase.kind() == StopPhase.Kind.HOLD;
        link(
            "Shaft",
            phase.kind().label(),
            Double.isFinite(phase.toSeconds()) ? text(phase.toSeconds()) : "no end",
            driven ? "plot-live" : "plot-predicted");
      }
    }
    if (!timeline.comesToRest()) {
      getChildren().add(word("no standstill", "nothing brakes it", "", true));
    }
  }

  private void link(String name, String does, String when, String style) {
    if (!getChildren().isEmpty()) {
      Line stroke = new Line(0, 0, STROKE_LENGTH, 0);
      stroke.getStyleClass().add(style);
      VBox middle = new VBox(stroke);
      middle.setPadding(new Insets(12, 3, 0, 3));
      getChildren().add(new HBox(middle, word(when, name, does, false)));
      return;
    }
    getChildren().add(word(when, name, does, false));
  }

  private static Node word(String when, String name, String does, boolean attention) {
    VBox column =
        Parts.column(
            0,
            Parts.label(when, attention ? "ink-attention" : "ink-strong"),
            Parts.label(name, "ink-label"),
            Parts.label(does, "ink-caption"));
    column.setMinWidth(USE_PREF_SIZE);
    return column;
  }

  private String text(double seconds) {
    return desk.units().text(Math.round(seconds * 1000) / 1000.0, MeasureUnit.SECOND_UNIT);
  }

  private String number(double value) {
    return desk.units().format().number(Math.round(value));
  }
}
