package unimotus.desktop.view;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.BiConsumer;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.Group;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Pane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.CubicCurveTo;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.QuadCurveTo;
import unimotus.core.path.Carrier;
import unimotus.core.path.PathPoint;
import unimotus.core.path.PathState;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Hint;
import unimotus.desktop.kit.Parts;

/**
 * The thread: the stations of the signal path on one line from the number to the machine, the
 * answer on a second line back. The stroke between stations tells the medium: a wave where the
 * signal runs over wires, one step where outputs choose, square where it goes as messages, straight
 * where it is arithmetic or steel. Any value can be grabbed and changed.
 */
final class ThreadPane extends Pane {
  private static final double FORTH_Y = 78;
  private static final double BACK_Y = 146;
  private static final double SMALL_SHARE = 0.78;
  private static final List<Station> BACK =
      List.of(Station.ANSWER_SIGNAL, Station.ANSWER_COUNTS, Station.ANSWER_NUMBER);

  private final Desk desk;
  private final BiConsumer<Station, Double> touch;
  private final BiConsumer<Station, String> look;
  private final Path line = new Path();
  private final Path backLine = new Path();
  private final Group knots = new Group();
  private final Map<Station, VBox> boxes = new HashMap<>();
  private Function<Station, Carrier> carriers = station -> Carrier.WITHIN;
  private Function<Station, String> where = Station::where;
  private PathState state = new PathState(List.of());
  private Station touched = Station.NUMBER;

  /**
   * A thread.
   *
   * @param touch told when the user gives a station a value, in the path's unit there
   * @param look told when the user looks at a station
   */
  ThreadPane(Desk desk, BiConsumer<Station, Double> touch, BiConsumer<Station, String> look) {
    this.desk = desk;
    this.touch = touch;
    this.look = look;
    line.getStyleClass().add("thread-line");
    backLine.getStyleClass().addAll("thread-line", "back");
    getChildren().addAll(backLine, line, knots);
    setPrefHeight(160);
    setMinHeight(160);
  }

  void show(SignalPath path, PathState next, Station chosen) {
    carriers = path.link()::carrier;
    where = path.link()::where;
    state = next;
    touched = chosen;
    getChildren().removeAll(boxes.values());
    boxes.clear();
    for (PathPoint point : next.points()) {
      VBox box = station(path, point);
      boxes.put(point.station(), box);
      getChildren().add(box);
    }
    setPrefHeight(path.has(Station.ANSWER_NUMBER) ? 160 : 92);
    setMinHeight(getPrefHeight());
    requestLayout();
  }

  private static boolean isSmall(Station station) {
    return switch (station) {
      case PERCENT, DRIVE_PERCENT, SYNCHRONOUS, GEAR, ANSWER_SIGNAL, ANSWER_COUNTS, ANSWER_NUMBER ->
          true;
      default -> false;
    };
  }

  private VBox station(SignalPath path, PathPoint point) {
    boolean small = isSmall(point.station());
    Label name = Parts.label(path.link().label(point.station()), "ink-caption");
    Label number = Parts.label(number(point), small ? "ink-strong" : "ink-big");
    if (point.condition() != null) {
      number.getStyleClass().add("ink-attention");
    }
    Label unit = Parts.label(desk.units().shown(point.unit()).symbol(), "ink-caption");
    VBox box = new VBox(-1, name, number, unit);
    box.setAlignment(Pos.BOTTOM_CENTER);
    box.getStyleClass().add("station");
    if (point.station() == touched) {
      box.getStyleClass().add("touched");
    }
    box.setId("station-" + point.station().key());
    box.setFocusTraversable(true);
    box.setAccessibleText(
        path.link().label(point.station()) + " " + number.getText() + " " + unit.getText());
    Hint.on(box, () -> tip(point));
    box.setOnMouseClicked(e -> edit(path, point, box));
    box.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
            edit(path, point, box);
            e.consume();
          }
        });
    box.focusedProperty().addListener((o, was, is) -> lookAt(point, is));
    return box;
  }

  /** Four digits are what a display shows; counts are whole. */
  private String number(PathPoint point) {
    MeasureUnit shown = desk.units().shown(point.unit());
    int digits = point.unit() == MeasureUnit.COUNTS ? 6 : 4;
    return new QuantityFormat(desk.units().decimalMark(), digits)
        .number(point.unit().convert(point.value(), shown));
  }

  private void lookAt(PathPoint point, boolean focused) {
    if (focused) {
      look.accept(point.station(), tip(point));
    }
  }

  private String tip(PathPoint point) {
    StringBuilder tip =
        new StringBuilder(where.apply(point.station())).append("\nfrom ").append(point.origin());
    if (Double.isFinite(point.low()) && Double.isFinite(point.high())) {
      tip.append(
          "\nfrom %s to %s"
              .formatted(
                  desk.units().number(point.low(), point.unit()),
                  desk.units().text(point.high(), point.unit())));
    }
    if (point.step() > 0) {
      tip.append("\nstep ").append(desk.units().text(point.step(), point.unit()));
    }
    if (point.condition() != null) {
      tip.append("\n").append(point.condition());
    }
    return tip.toString();
  }

  private void edit(SignalPath path, PathPoint point, VBox box) {
    look.accept(point.station(), tip(point));
    TextField entry = new TextField(desk.units().number(point.value(), point.unit()));
    entry.setId("station-entry");
    entry.getStyleClass().add("station-entry");
    entry.setPrefWidth(Math.max(96, box.getWidth()));
    entry.setMaxWidth(120);
    box.getChildren().set(1, entry);
    entry.requestFocus();
    entry.selectAll();
    entry.setOnAction(e -> take(path, point, entry));
    entry.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.ESCAPE) {
            show(path, state, touched);
            e.consume();
          }
        });
  }

  private void take(SignalPath path, PathPoint point, TextField entry) {
    try {
      double value =
          desk.units()
              .parse(
                  path.link().label(point.station()), entry.getText(), path.unit(point.station()));
      touch.accept(point.station(), value);
    } catch (IllegalArgumentException e) {
      entry.getStyleClass().add("refused");
      desk.refuse(e.getMessage());
    }
  }

  @Override
  protected void layoutChildren() {
    Map<Station, Double> centres = centres();
    knots.getChildren().clear();
    if (centres.isEmpty()) {
      return;
    }
    forth().forEach(s -> place(s, at(centres, s), FORTH_Y));
    drawForth(centres);
    boolean answers = boxes.containsKey(Station.ANSWER_NUMBER);
    backLine.getElements().clear();
    if (answers) {
      double[] backX = {
        under(centres, Station.SIGNAL, Station.SYNCHRONOUS),
        under(centres, Station.COUNTS, Station.PERCENT),
        at(centres, Station.NUMBER)
      };
      for (int i = 0; i < BACK.size(); i++) {
        place(BACK.get(i), backX[i], BACK_Y);
      }
      drawBack(at(centres, Station.FREQUENCY), backX);
    }
    // Nodes made during layout get no styles by themselves until the next change.
    knots.applyCss();
  }

  /** A station of the way back stands under its like, else under one that every path has. */
  private static double under(Map<Station, Double> centres, Station like, Station otherwise) {
    return at(centres, centres.containsKey(like) ? like : otherwise);
  }

  private static double at(Map<Station, Double> centres, Station station) {
    return Objects.requireNonNull(centres.get(station), station::key);
  }

  /** The stations of the way forth that this path has. */
  private List<Station> forth() {
    return state.points().stream().map(PathPoint::station).filter(s -> !s.isAnswer()).toList();
  }

  /** Big stations get more room than the small ones between them. */
  private Map<Station, Double> centres() {
    double total = forth().stream().mapToDouble(s -> isSmall(s) ? SMALL_SHARE : 1).sum();
    double unit = getWidth() / total;
    Map<Station, Double> centres = new HashMap<>();
    double at = 0;
    for (Station station : forth()) {
      double width = unit * (isSmall(station) ? SMALL_SHARE : 1);
      centres.put(station, at + width / 2);
      at += width;
    }
    return centres;
  }

  private void place(Station station, double x, double lineY) {
    VBox box = boxes.get(station);
    if (box == null) {
      return;
    }
    double width = box.prefWidth(-1);
    double height = box.prefHeight(-1);
    box.resizeRelocate(x - width / 2, lineY - 10 - height, width, height);
    Circle knot = new Circle(x, lineY, isSmall(station) ? 3.5 : 5.5);
    knot.getStyleClass().add("thread-knot");
    if (isSmall(station)) {
      knot.getStyleClass().add("small");
    }
    if (state.at(station).map(p -> p.condition() != null).orElse(false)) {
      knot.getStyleClass().add("held");
    } else if (station == touched) {
      knot.getStyleClass().add("touched");
    }
    knots.getChildren().add(knot);
  }

  private void drawForth(Map<Station, Double> centres) {
    line.getElements().setAll(new MoveTo(at(centres, Station.NUMBER), FORTH_Y));
    List<Station> forth = forth();
    for (int i = 1; i < forth.size(); i++) {
      Station before = forth.get(i - 1);
      double from = at(centres, before);
      double to = at(centres, forth.get(i));
      line.getElements().addAll(stroke(carriers.apply(before), from, to));
    }
  }

  private static List<javafx.scene.shape.PathElement> stroke(
      Carrier carrier, double from, double to) {
    return switch (carrier) {
      case WITHIN -> List.of(new LineTo(to, FORTH_Y));
      case WIRES -> wave(from, to, FORTH_Y);
      case CONTACTS -> contacts(from, to, FORTH_Y);
      case MESSAGES -> messages(from, to, FORTH_Y);
    };
  }

  /** The stroke of an analog link. */
  private static List<javafx.scene.shape.PathElement> wave(double from, double to, double y) {
    List<javafx.scene.shape.PathElement> elements = new ArrayList<>();
    int waves = 4;
    double margin = 14;
    double step = (to - from - 2 * margin) / waves;
    elements.add(new LineTo(from + margin, y));
    for (int i = 0; i < waves; i++) {
      double x = from + margin + i * step;
      elements.add(new QuadCurveTo(x + step / 4, y - 9, x + step / 2, y));
      elements.add(new QuadCurveTo(x + 3 * step / 4, y + 9, x + step, y));
    }
    elements.add(new LineTo(to, y));
    return elements;
  }

  /** The stroke of a link over outputs and contacts: off, on, off. */
  private static List<javafx.scene.shape.PathElement> contacts(double from, double to, double y) {
    double on = from + (to - from) * 0.3;
    double off = from + (to - from) * 0.7;
    return List.of(
        new LineTo(on, y),
        new LineTo(on, y - 9),
        new LineTo(off, y - 9),
        new LineTo(off, y),
        new LineTo(to, y));
  }

  /** The stroke of a link over messages. */
  private static List<javafx.scene.shape.PathElement> messages(double from, double to, double y) {
    List<javafx.scene.shape.PathElement> elements = new ArrayList<>();
    double margin = 14;
    double[] edges = {0, 0.12, 0.2, 0.44, 0.56, 0.64, 0.8, 1};
    for (int i = 0; i < edges.length; i++) {
      double x = from + margin + edges[i] * (to - from - 2 * margin);
      elements.add(new LineTo(x, i % 2 == 0 ? y : y - 8));
      elements.add(new LineTo(x, i % 2 == 0 ? y - 8 : y));
    }
    elements.add(new LineTo(to, y));
    return elements;
  }

  private void drawBack(double fromX, double[] xs) {
    backLine
        .getElements()
        .setAll(
            new MoveTo(fromX, FORTH_Y),
            new CubicCurveTo(fromX, FORTH_Y + 60, fromX, BACK_Y, fromX - 60, BACK_Y),
            new LineTo(xs[xs.length - 1], BACK_Y));
  }
}
