package unimotus.desktop.kit;

import java.util.ArrayList;
import java.util.List;
import javafx.beans.InvalidationListener;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import unimotus.core.quantity.QuantityFormat;

/**
 * A plot with a grid, lines, points and two cursors. Wheel zooms about the pointer, dragging pans,
 * a click sets the first cursor, a click with Shift the second; Home shows all. Long lines are
 * drawn as the least and greatest value of each pixel, so that no peak is lost.
 */
public final class Plot extends Pane {
  private static final double LEFT = 58;
  private static final double RIGHT = 14;
  private static final double TOP = 22;
  private static final double BOTTOM = 24;
  private static final double ZOOM_STEP = 1.2;

  /** A point that was measured. */
  public record Point(double x, double y) {}

  private String title;
  private final String xUnit;
  private String yUnit;
  private final Rectangle ground = new Rectangle();
  private final Rectangle clip = new Rectangle();
  private final Group grid = new Group();
  private final Group curves = new Group();
  private final Group marks = new Group();
  private final Text heading = new Text();
  private final Text reading = new Text();
  private final List<Series> series = new ArrayList<>();
  private final List<Point> points = new ArrayList<>();
  private final DoubleProperty xLow = new SimpleDoubleProperty(0);
  private final DoubleProperty xHigh = new SimpleDoubleProperty(1);
  private final DoubleProperty cursor = new SimpleDoubleProperty(Double.NaN);
  private final DoubleProperty secondCursor = new SimpleDoubleProperty(Double.NaN);

  private double allLow;
  private double allHigh = 1;
  private double yLow;
  private double yHigh = 1;
  private Point here = new Point(Double.NaN, Double.NaN);
  private QuantityFormat format = QuantityFormat.PLAIN;

  /** Writes the numbers again when the reader wants them otherwise; held here alone. */
  private final InvalidationListener rewritten = changed -> requestLayout();

  private double dragX = Double.NaN;
  private boolean dragged;

  /** An empty plot. */
  public Plot(String title, String xUnit, String yUnit) {
    this.title = title;
    this.xUnit = xUnit;
    this.yUnit = yUnit;
    ground.getStyleClass().add("plot-ground");
    heading.getStyleClass().add("plot-title");
    reading.getStyleClass().add("plot-reading");
    curves.setClip(clip);
    getChildren().addAll(ground, grid, curves, marks, heading, reading);
    setFocusTraversable(true);
    setAccessibleText(title);
    Decimals.onChange(rewritten);
    List.of(xLow, xHigh, cursor, secondCursor)
        .forEach(p -> p.addListener((o, was, is) -> requestLayout()));
    setOnScroll(this::zoom);
    setOnMousePressed(this::press);
    setOnMouseDragged(this::drag);
    setOnMouseReleased(this::release);
    setOnKeyPressed(this::key);
    setMinSize(160, 90);
  }

  /** Left end of what is shown; bind two plots to move them together. */
  public DoubleProperty xLow() {
    return xLow;
  }

  /** Right end of what is shown. */
  public DoubleProperty xHigh() {
    return xHigh;
  }

  /** The first cursor; not-a-number where it is not set. */
  public DoubleProperty cursor() {
    return cursor;
  }

  /** The second cursor; not-a-number where it is not set. */
  public DoubleProperty secondCursor() {
    return secondCursor;
  }

  /** How numbers are written. */
  public void setFormat(QuantityFormat next) {
    format = next;
    requestLayout();
  }

  /** Another title and unit of the values. */
  public void heading(String nextTitle, String nextUnit) {
    title = nextTitle;
    setAccessibleText(nextTitle);
    yUnit = nextUnit;
    requestLayout();
  }

  /** The unit of the values, shown in the title. */
  public void setYUnit(String next) {
    yUnit = next;
    requestLayout();
  }

  /** Shows lines over a range and looks at all of it. */
  public void show(List<Series> lines, double fromX, double toX, double fromY, double toY) {
    series.clear();
    series.addAll(lines);
    allLow = fromX;
    allHigh = Math.max(toX, fromX + 1e-9);
    yLow = fromY;
    yHigh = Math.max(toY, fromY + 1e-9);
    showAll();
    requestLayout();
  }

  /** Shows measured points; empty for none. */
  public void showPoints(List<Point> next) {
    points.clear();
    points.addAll(next);
    requestLayout();
  }

  /** Shows the point that is looked at. */
  public void showHere(Point next) {
    here = next;
    requestLayout();
  }

  /** Looks at the whole range again. */
  public void showAll() {
    xLow.set(allLow);
    xHigh.set(allHigh);
  }

  /** The x under a place of this plot. */
  public double xAt(double pixel) {
    return xLow.get() + (pixel - LEFT) / Math.max(1, plotWidth()) * (xHigh.get() - xLow.get());
  }

  private double plotWidth() {
    return getWidth() - LEFT - RIGHT;
  }

  private double plotHeight() {
    return getHeight() - TOP - BOTTOM;
  }

  private double px(double x) {
    return LEFT + (x - xLow.get()) / (xHigh.get() - xLow.get()) * plotWidth();
  }

  private double py(double y) {
    return TOP + (yHigh - y) / (yHigh - yLow) * plotHeight();
  }

  @Override
  protected void layoutChildren() {
    place(ground, LEFT, TOP, plotWidth(), plotHeight());
    place(clip, LEFT - 1, TOP - 6, plotWidth() + 8, plotHeight() + 12);
    drawGrid();
    drawCurves();
    drawMarks();
    // Nodes made during layout get no styles by themselves until the next change.
    List.of(grid, curves, marks).forEach(Node::applyCss);
    heading.setText(yUnit.isEmpty() ? title : title + ", " + yUnit);
    heading.setX(LEFT);
    heading.setY(TOP - 8);
  }

  private static void place(Rectangle r, double x, double y, double width, double height) {
    r.setX(x);
    r.setY(y);
    r.setWidth(Math.max(0, width));
    r.setHeight(Math.max(0, height));
  }

  private void drawGrid() {
    grid.getChildren().clear();
    for (double x : Ticks.between(xLow.get(), xHigh.get(), plotWidth() / 90)) {
      grid.getChildren().add(Drawn.line(px(x), TOP, px(x), TOP + plotHeight(), "plot-grid"));
      Text text =
          Drawn.text(
              format.number(x) + (xUnit.isEmpty() ? "" : " " + xUnit),
              px(x),
              TOP + plotHeight() + 15,
              "plot-tick");
      text.setX(px(x) - text.getLayoutBounds().getWidth() / 2);
      grid.getChildren().add(text);
    }
    for (double y : Ticks.between(yLow, yHigh, Math.max(5, plotHeight() / 34))) {
      grid.getChildren().add(Drawn.line(LEFT, py(y), LEFT + plotWidth(), py(y), "plot-grid"));
      Text text = Drawn.text(format.number(y), 0, py(y) + 4, "plot-tick");
      text.setX(LEFT - 7 - text.getLayoutBounds().getWidth());
      grid.getChildren().add(text);
    }
  }

  private void drawCurves() {
    curves.getChildren().clear();
    series.forEach(s -> curves.getChildren().add(curve(s)));
    for (Point p : points) {
      Circle dot = new Circle(px(p.x()), py(p.y()), 4.5);
      dot.getStyleClass().add("plot-measured");
      curves.getChildren().add(dot);
    }
    if (Double.isFinite(here.x()) && Double.isFinite(here.y())) {
      Circle dot = new Circle(px(here.x()), py(here.y()), 7);
      dot.getStyleClass().add("plot-here");
      curves.getChildren().add(dot);
    }
  }

  private Node curve(Series s) {
    Polyline line = new Polyline();
    line.getStyleClass().add(s.style());
    int from = Math.max(0, s.firstAtOrAfter(xLow.get()) - 1);
    int to = Math.min(s.size(), s.firstAtOrAfter(xHigh.get()) + 1);
    int perPixel = Math.max(1, (int) ((to - from) / Math.max(1, plotWidth())));
    for (int i = from; i < to; i += perPixel) {
      addExtremes(line, s, i, Math.min(to, i + perPixel));
    }
    return line;
  }

  private void addExtremes(Polyline line, Series s, int from, int to) {
    double least = Double.POSITIVE_INFINITY;
    double most = Double.NEGATIVE_INFINITY;
    for (int i = from; i < to; i++) {
      least = Math.min(least, s.y().applyAsDouble(i));
      most = Math.max(most, s.y().applyAsDouble(i));
    }
    double x = px(s.x().applyAsDouble(from));
    boolean falling = s.y().applyAsDouble(from) > s.y().applyAsDouble(to - 1);
    line.getPoints().addAll(x, py(falling ? most : least));
    if (most > least) {
      line.getPoints().addAll(x, py(falling ? least : most));
    }
  }

  private void drawMarks() {
    marks.getChildren().clear();
    addCursor(cursor.get(), "plot-cursor");
    addCursor(secondCursor.get(), "plot-cursor second");
    reading.setText(
        Decimals.shown(CursorReading.of(cursor.get(), secondCursor.get(), series, format, xUnit)));
    reading.setX(Math.max(LEFT, LEFT + plotWidth() - reading.getLayoutBounds().getWidth()));
    reading.setY(TOP - 8);
  }

  private void addCursor(double x, String styles) {
    if (Double.isFinite(x) && x >= xLow.get() && x <= xHigh.get()) {
      Line line = Drawn.line(px(x), TOP, px(x), TOP + plotHeight(), "plot-cursor");
      line.getStyleClass().setAll(styles.split(" "));
      marks.getChildren().add(line);
    }
  }

  private void zoom(ScrollEvent e) {
    if (e.getDeltaY() != 0) {
      zoomAbout(xAt(e.getX()), e.getDeltaY() > 0 ? 1 / ZOOM_STEP : ZOOM_STEP);
      e.consume();
    }
  }

  private void zoomAbout(double x, double factor) {
    double low = x - (x - xLow.get()) * factor;
    double high = x + (xHigh.get() - x) * factor;
    if (high - low < (allHigh - allLow) * 1e-5) {
      return;
    }
    xLow.set(Math.max(allLow, low));
    xHigh.set(Math.min(allHigh, high));
  }

  private void press(MouseEvent e) {
    requestFocus();
    dragX = e.getX();
    dragged = false;
  }

  private void drag(MouseEvent e) {
    dragged |= Math.abs(e.getX() - dragX) > 3;
    if (dragged) {
      pan((dragX - e.getX()) / plotWidth() * (xHigh.get() - xLow.get()));
      dragX = e.getX();
    }
  }

  private void pan(double by) {
    double span = xHigh.get() - xLow.get();
    double low = Math.max(allLow, Math.min(allHigh - span, xLow.get() + by));
    xLow.set(low);
    xHigh.set(low + span);
  }

  private void release(MouseEvent e) {
    if (!dragged) {
      (e.isShiftDown() ? secondCursor : cursor).set(xAt(e.getX()));
    }
  }

  private void key(KeyEvent e) {
    double span = xHigh.get() - xLow.get();
    KeyCode code = e.getCode();
    if (code == KeyCode.HOME) {
      showAll();
    } else if (code == KeyCode.PLUS || code == KeyCode.ADD || code == KeyCode.EQUALS) {
      zoomAbout((xLow.get() + xHigh.get()) / 2, 1 / ZOOM_STEP);
    } else if (code == KeyCode.MINUS || code == KeyCode.SUBTRACT) {
      zoomAbout((xLow.get() + xHigh.get()) / 2, ZOOM_STEP);
    } else if (code == KeyCode.LEFT || code == KeyCode.RIGHT) {
      double way = (code == KeyCode.LEFT ? -1 : 1) * span / 50;
      DoubleProperty moved = e.isShiftDown() ? secondCursor : cursor;
      moved.set(
          Math.max(
              allLow,
              Math.min(allHigh, (Double.isFinite(moved.get()) ? moved.get() : xLow.get()) + way)));
    } else {
      return;
    }
    e.consume();
  }
}
