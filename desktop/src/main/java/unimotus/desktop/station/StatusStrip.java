package unimotus.desktop.station;

import javafx.beans.property.DoubleProperty;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import org.jspecify.annotations.Nullable;
import unimotus.core.bench.DriveStatus;
import unimotus.core.bench.Trace;

/** What the drive reported over time, as words on a strip under the traces. */
final class StatusStrip extends Pane {
  private static final double LEFT = 58;
  private static final double RIGHT = 14;
  private static final double HEIGHT = 20;

  private final DoubleProperty low;
  private final DoubleProperty high;
  private @Nullable Trace trace;

  StatusStrip(DoubleProperty low, DoubleProperty high) {
    this.low = low;
    this.high = high;
    low.addListener((o, was, is) -> requestLayout());
    high.addListener((o, was, is) -> requestLayout());
    setMinHeight(HEIGHT + 2);
    setPrefHeight(HEIGHT + 2);
  }

  void show(Trace next) {
    trace = next;
    requestLayout();
  }

  @Override
  protected void layoutChildren() {
    getChildren().clear();
    Trace t = trace;
    if (t == null) {
      return;
    }
    int first = t.indexAt(low.get());
    int last = t.indexAt(high.get());
    for (int from = first; from <= last; ) {
      int to = from;
      while (to < last && t.status(to + 1) == t.status(from)) {
        to++;
      }
      add(t.status(from), t.seconds(from), t.seconds(to));
      from = to + 1;
    }
    // Nodes made during layout get no styles by themselves until the next change.
    getChildren().forEach(javafx.scene.Node::applyCss);
  }

  private void add(DriveStatus status, double from, double to) {
    double width = getWidth() - LEFT - RIGHT;
    double x1 = LEFT + (from - low.get()) / (high.get() - low.get()) * width;
    double x2 = LEFT + (to - low.get()) / (high.get() - low.get()) * width;
    Rectangle bar = new Rectangle(x1, 0, Math.max(1, x2 - x1), HEIGHT);
    bar.getStyleClass().add("status-" + status.label().replace(' ', '-'));
    getChildren().add(bar);
    Text word = new Text(x1 + 6, HEIGHT - 6, status.label());
    word.getStyleClass().add("status-word");
    if (status == DriveStatus.RUNNING) {
      word.getStyleClass().add("on-running");
    }
    if (word.getLayoutBounds().getWidth() + 10 < x2 - x1) {
      getChildren().add(word);
    }
  }
}
