package unimotus.desktop.station;

import java.util.List;
import javafx.beans.property.DoubleProperty;
import javafx.scene.Node;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import unimotus.core.dryrun.Strip;

/** What inputs, outputs and contacts did over a dry-run: a bar where one is on, one row each. */
public final class InputStrips extends Pane {
  private static final double LEFT = 58;
  private static final double RIGHT = 14;
  private static final double ROW = 21;
  private static final double BAR = 4;
  private static final double GAP = 6;

  private final DoubleProperty low;
  private final DoubleProperty high;
  private List<Strip> strips = List.of();

  /** None yet, between two times that move. */
  public InputStrips(DoubleProperty low, DoubleProperty high) {
    this.low = low;
    this.high = high;
    low.addListener((o, was, is) -> requestLayout());
    high.addListener((o, was, is) -> requestLayout());
    setAccessibleText("Inputs and outputs over time");
    setId("input-strips");
  }

  /** Shows those that left their rest. */
  public void show(List<Strip> next) {
    // What never left its rest takes room and says nothing.
    strips = next.stream().filter(s -> s.segments().stream().anyMatch(s::isOn)).toList();
    double height = ROW * strips.size() + (strips.isEmpty() ? 0 : GAP);
    setMinHeight(height);
    setPrefHeight(height);
    setMaxHeight(height);
    setManaged(!strips.isEmpty());
    setVisible(!strips.isEmpty());
    requestLayout();
  }

  @Override
  protected void layoutChildren() {
    getChildren().clear();
    for (int row = 0; row < strips.size(); row++) {
      add(strips.get(row), GAP + row * ROW);
    }
    // Nodes made during layout get no styles by themselves until the next change.
    getChildren().forEach(Node::applyCss);
  }

  private void add(Strip strip, double top) {
    Line rest = new Line(LEFT, top + ROW - 2, getWidth() - RIGHT, top + ROW - 2);
    rest.getStyleClass().add("strip-rest");
    getChildren().add(rest);
    strip.segments().stream().filter(strip::isOn).forEach(s -> add(s, top));
    Text label = new Text(LEFT, top + ROW - 11, strip.label());
    label.getStyleClass().add("strip-label");
    getChildren().add(label);
  }

  private void add(Strip.Segment segment, double top) {
    double from = Math.max(LEFT, x(segment.fromSeconds()));
    double to = Math.min(getWidth() - RIGHT, x(segment.toSeconds()));
    if (to <= from) {
      return;
    }
    Rectangle bar = new Rectangle(from, top + ROW - 2 - BAR, Math.max(1, to - from), BAR);
    bar.getStyleClass().add(segment.state().equals("undefined") ? "strip-doubt" : "strip-on");
    getChildren().add(bar);
    Text word = new Text(segment.state());
    word.getStyleClass().add("strip-word");
    double wide = word.getLayoutBounds().getWidth();
    boolean position = !segment.state().equals("on");
    if (position && wide + GAP < to - from) {
      word.setX(to - wide - 2);
      word.setY(top + ROW - 11);
      getChildren().add(word);
    }
  }

  private double x(double seconds) {
    double width = getWidth() - LEFT - RIGHT;
    return LEFT + (seconds - low.get()) / (high.get() - low.get()) * width;
  }
}
