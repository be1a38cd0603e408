package unimotus.desktop.motion;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.PlacedSwitch;
import unimotus.core.machine.SwitchUse;
import unimotus.core.motion.StepAxis;
import unimotus.core.move.TravelRange;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;

/**
 * The travel of an axis as a scale: its ends, home at 0, where its moves lead, and the switches it
 * operates on its way as bars along it.
 */
final class TravelScale extends Pane {
  private static final double HEIGHT = 88;
  private static final double MARGIN = 44;
  private static final double LEVEL = 35;
  private static final double MARK = 9;
  private static final double NEAR = 46;
  private static final double BAR = 7;
  private static final double LEAST_BAR = 3;
  private static final double UPPER = 26;
  private static final double LOWER = 38;

  private final Desk desk;
  private final double[] rows = {0, 0};
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
    List<PlacedSwitch> switches = new ArrayList<>(shown.design().stepping().switches());
    switches.sort(Comparator.comparingDouble(PlacedSwitch::from));
    Arrays.fill(rows, -2 * MARGIN);
    for (PlacedSwitch each : switches) {
      bar(each, x(each.from(), low, span), x(each.to(), low, span));
    }
    List<Double> taken = new ArrayList<>();
    TravelRange travel = shown.design().travel();
    for (double place : places) {
      double x = x(place, low, span);
      boolean isEnd = travel.isLimited() && (place == travel.least() || place == travel.most());
      line(x, LEVEL - (isEnd ? MARK : MARK / 2), x, LEVEL + (isEnd ? MARK : MARK / 2));
      if (taken.stream().noneMatch(t -> Math.abs(t - x) < NEAR)) {
        taken.add(x);
        word(x, LEVEL - MARK - 5, desk.units().text(place, shown.unit()), "ink-live");
        word(x, LEVEL + MARK + 12, name(place, travel), "ink-label");
      }
    }
  }

  private double x(double place, double low, double span) {
    return MARGIN + (place - low) / span * (getWidth() - 2 * MARGIN);
  }

  /** Long enough to be seen, with its use below it. */
  private void bar(PlacedSwitch each, double from, double to) {
    Rectangle bar = new Rectangle(from, LEVEL - BAR / 2, Math.max(LEAST_BAR, to - from), BAR);
    bar.getStyleClass().add(each.use().isEnd() ? "travel-end" : "travel-switch");
    bar.setId("travel-" + each.part());
    getChildren().add(bar);
    if (each.use() != SwitchUse.HOME) {
      named((from + to) / 2, each.use().label());
    }
  }

  /** In the upper row where it does not touch the name before, else in the lower one. */
  private void named(double middle, String words) {
    int row = middle - rows[0] < NEAR + MARGIN ? 1 : 0;
    rows[row] = middle;
    word(middle, LEVEL + MARK + (row == 0 ? UPPER : LOWER), words, "ink-caption");
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
    for (PlacedSwitch each : axis.design().stepping().switches()) {
      all.add(each.from());
      all.add(each.to());
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
