package unimotus.desktop.motion;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import javafx.scene.text.Text;
import org.jspecify.annotations.Nullable;
import unimotus.core.motion.StepAxis;
import unimotus.core.move.TravelRange;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;

/** The travel of an axis as a scale: its ends, home at 0, and where its moves lead. */
final class TravelScale extends Pane {
  private static final double HEIGHT = 66;
  private static final double MARGIN = 44;
  private static final double LEVEL = 35;
  private static final double MARK = 9;
  private static final double NEAR = 46;

  private final Desk desk;
  private @Nullable StepAxis axis;

  TravelScale(Desk desk) {
    this.desk = desk;
    setId("travel-scale");
    getStyleClass().add("sheet");
    setMinHeight(HEIGHT);
    setPrefHeight(HEIGHT);
    widthProperty().addListener((o, was, is) -> draw());
  }

  void show(StepAxis next) {
    axis = next;
    draw();
  }

  private void draw() {
    getChildren().clear();
    StepAxis shown = axis;
    if (shown == null || getWidth() < 2 * MARGIN) {
      return;
    }
    List<Double> places = places(shown);
    double low = places.stream().mapToDouble(p -> p).min().orElse(0);
    double high = places.stream().mapToDouble(p -> p).max().orElse(1);
    double span = high > low ? high - low : 1;
    line(MARGIN, LEVEL, getWidth() - MARGIN, LEVEL);
    List<Double> taken = new ArrayList<>();
    TravelRange travel = shown.design().travel();
    for (double place : places) {
      double x = MARGIN + (place - low) / span * (getWidth() - 2 * MARGIN);
      boolean isEnd = travel.isLimited() && (place == travel.least() || place == travel.most());
      line(x, LEVEL - (isEnd ? MARK : MARK / 2), x, LEVEL + (isEnd ? MARK : MARK / 2));
      if (taken.stream().noneMatch(t -> Math.abs(t - x) < NEAR)) {
        taken.add(x);
        word(x, LEVEL - MARK - 5, desk.units().text(place, shown.unit()), "ink-live");
        word(x, LEVEL + MARK + 12, name(place, travel), "ink-label");
      }
    }
  }

  private static String name(double place, TravelRange travel) {
    if (place == 0) {
      return "home";
    }
    return travel.isLimited() && (place == travel.least() || place == travel.most()) ? "end" : "";
  }

  /** Home first, so that its words stand where two places are too near to be named both. */
  private static List<Double> places(StepAxis axis) {
    List<Double> all = new ArrayList<>(List.of(0.0));
    TravelRange travel = axis.design().travel();
    if (travel.isLimited()) {
      all.add(travel.least());
      all.add(travel.most());
    }
    try {
      axis.moves().forEach(m -> all.add(m.plan().to()));
    } catch (IllegalArgumentException outside) {
      // The plots say which move leads outside; its place is not on the scale.
      return all;
    }
    return all.stream().distinct().toList();
  }

  private void line(double fromX, double fromY, double toX, double toY) {
    Line line = new Line(fromX, fromY, toX, toY);
    line.getStyleClass().add("travel-line");
    getChildren().add(line);
  }

  private void word(double x, double y, String words, String style) {
    Text text = Parts.words(words, style);
    getChildren().add(text);
    text.applyCss();
    text.setX(x - text.getLayoutBounds().getWidth() / 2);
    text.setY(y);
  }
}
