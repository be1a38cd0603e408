package unimotus.desktop.view;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import unimotus.core.machine.Reading;
import unimotus.core.path.PathState;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Verdict;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.review.AxisReview;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Plot;
import unimotus.desktop.kit.Series;
import unimotus.desktop.kit.Sides;
import unimotus.desktop.station.FindingList;
import unimotus.desktop.station.View;
import unimotus.workbench.Evidence;

/**
 * The signal path live: the thread, the curve of the whole span, the sum and what the checks say.
 */
final class PathView implements View {
  /** What the plot shows beyond the curve, of its height. */
  private static final double BEYOND = 0.06;

  private static final int CURVE_POINTS = 401;

  private static final double LEAST_PLOT = 480;
  private static final double LEAST_SIDE = 250;
  private static final double SIDE = 310;

  private final Desk desk;
  private final ThreadPane thread;
  private final ChainTabs chains = new ChainTabs("path-chain-", this::refresh);
  private final VBox plotHolder = new VBox();
  private final VBox sum = new VBox(5);
  private final Label sumTitle = Parts.label("The sum", "ink-strong");
  private final Label condition = Parts.prose("", "ink-attention");
  private final FindingList findings;
  private final Node node;
  private final VBox body;
  private final Label missing = Parts.prose("", "ink-label");

  private String shownAxis = "";
  private Station touched = Station.NUMBER;
  private Station looked = Station.MACHINE;
  private double number;

  PathView(Desk desk) {
    this.desk = desk;
    this.thread = new ThreadPane(desk, this::touch, this::lookAt);
    this.findings = new FindingList(desk);
    plotHolder.setMinHeight(170);
    ScrollPane sums = Parts.scrolling(sum);
    VBox sumSheet = Parts.sheet(6, sumTitle, condition, sums);
    VBox.setVgrow(sums, Priority.ALWAYS);
    VBox left = new VBox(10, plotHolder, sumSheet);
    VBox.setVgrow(plotHolder, Priority.ALWAYS);
    sumSheet.setPrefHeight(190);
    sumSheet.setMinHeight(130);
    VBox right =
        Parts.sheet(10, Parts.label("What the path says", "ink-strong"), Parts.scrolling(findings));
    Sides lower = new Sides(left, right, LEAST_PLOT, LEAST_SIDE, SIDE);
    VBox.setVgrow(lower, Priority.ALWAYS);
    VBox threadSheet = Parts.sheet(4, chains, thread);
    threadSheet.setPadding(new Insets(6, 8, 6, 8));
    body = new VBox(12, threadSheet, lower);
    body.setPadding(new Insets(12, 16, 12, 16));
    missing.setPadding(new Insets(16));
    node = new VBox(missing, body);
    VBox.setVgrow(body, Priority.ALWAYS);
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public void refresh() {
    AxisReview review = desk.review().orElse(null);
    SignalPath main = review == null ? null : review.path();
    body.setVisible(main != null);
    missing.setManaged(main == null);
    missing.setText(main != null || review == null ? "" : review.whyNoPath());
    if (main == null || review == null) {
      return;
    }
    chains.show(main, review.beside());
    SignalPath path = chains.path(main);
    if (!shownAxis.equals(review.axis().id())) {
      shownAxis = review.axis().id();
      number = path.scale().inverse(50);
      touched = Station.NUMBER;
    }
    show(path, review);
  }

  private void show(SignalPath path, AxisReview review) {
    if (!path.has(looked)) {
      looked = Station.MACHINE;
    }
    PathState state = path.state(number);
    thread.show(path, state, touched);
    showCurve(path, state);
    showSum(state);
    findings.show(review.findings());
  }

  private void touch(Station station, double value) {
    shownPath()
        .ifPresent(
            path -> {
              touched = station;
              looked = station == Station.NUMBER ? Station.MACHINE : station;
              number = path.numberFor(station, value);
              double got = path.value(station, number);
              refresh();
              boolean reached =
                  Math.abs(got - value)
                      <= Math.max(
                          Math.abs(value) * 0.002,
                          path.state(number).at(station).orElseThrow().step());
              if (reached) {
                desk.say(
                    "%s %s"
                        .formatted(
                            path.link().label(station),
                            desk.units().text(got, path.unit(station))));
              } else {
                desk.refuse(
                    "%s cannot be %s here; it gets %s"
                        .formatted(
                            path.link().label(station),
                            desk.units().text(value, path.unit(station)),
                            desk.units().text(got, path.unit(station))));
              }
            });
  }

  private void lookAt(Station station, String tip) {
    looked = station;
    shownPath().ifPresent(path -> showSum(path.state(number)));
  }

  private Optional<SignalPath> shownPath() {
    return desk.review().map(AxisReview::path).map(chains::path);
  }

  private void showSum(PathState state) {
    String name = shownPath().map(p -> p.link().label(looked)).orElseGet(looked::label);
    sumTitle.setText("The sum, to %s".formatted(name.toLowerCase(java.util.Locale.ROOT)));
    sum.getChildren().clear();
    state
        .derivation(looked)
        .steps()
        .forEach(s -> sum.getChildren().add(Parts.prose(s.text(), "ink-sum")));
    if (sum.getChildren().isEmpty()) {
      sum.getChildren().add(Parts.prose("The number is entered, not computed.", "ink-label"));
    }
    String held = state.at(looked).map(p -> p.condition()).orElse(null);
    condition.setText(held == null ? "" : held);
    condition.setManaged(held != null);
  }

  private void showCurve(SignalPath path, PathState state) {
    MeasureUnit unit = path.scale().numberUnit();
    MeasureUnit shown = desk.units().shown(unit);
    double low = path.scale().least();
    double high = path.scale().most();
    double[] x = new double[CURVE_POINTS];
    double[] y = new double[CURVE_POINTS];
    double bottom = Math.min(0, low);
    double top = Math.max(0, high);
    for (int i = 0; i < CURVE_POINTS; i++) {
      double at = low + (high - low) * i / (CURVE_POINTS - 1);
      x[i] = unit.convert(at, shown);
      y[i] = unit.convert(path.value(Station.MACHINE, at), shown);
      bottom = Math.min(bottom, path.value(Station.MACHINE, at));
      top = Math.max(top, path.value(Station.MACHINE, at));
    }
    Plot plot = new Plot(curve(path), shown.symbol(), shown.symbol());
    plot.setId("path-curve");
    plot.setFormat(desk.units().format());
    double margin = BEYOND * (top - bottom);
    plot.show(
        List.of(
            new Series(
                "meant",
                "plot-predicted",
                2,
                i -> x[i * (CURVE_POINTS - 1)],
                i -> x[i * (CURVE_POINTS - 1)]),
            new Series("machine", "plot-live", CURVE_POINTS, i -> x[i], i -> y[i])),
        unit.convert(low, shown),
        unit.convert(high, shown),
        unit.convert(bottom < 0 ? bottom - margin : 0, shown),
        unit.convert(top + margin, shown));
    plot.showHere(
        new Plot.Point(
            unit.convert(number, shown), unit.convert(state.value(Station.MACHINE), shown)));
    plot.showPoints(measured(shown, unit));
    plot.setOnMouseClicked(
        e -> {
          if (e.isStillSincePress() && !e.isShiftDown()) {
            touch(Station.NUMBER, shown.convert(plot.xAt(e.getX()), unit));
          }
        });
    VBox.setVgrow(plot, Priority.ALWAYS);
    plotHolder.getChildren().setAll(plot);
  }

  private static String curve(SignalPath path) {
    String over = path.link().isProgrammed() ? "the program's number" : "the speed that is wanted";
    return switch (path.commands()) {
      case SPEED, POSITION -> "Machine %s over %s".formatted(path.commands().word(), over);
      case PROCESS_VALUE -> "Process value over " + over;
    };
  }

  private List<Plot.Point> measured(MeasureUnit shown, MeasureUnit unit) {
    List<Plot.Point> points = new ArrayList<>();
    for (Verdict verdict :
        desk.evidence().map(Evidence::proof).map(p -> p.verdicts()).orElse(List.of())) {
      Prediction prediction = verdict.prediction();
      Reading reading = verdict.reading();
      boolean own = Objects.equals(prediction.chain(), chains.chain().orElse(null));
      if (own
          && prediction.station() == Station.MACHINE
          && reading != null
          && reading.amount() != null) {
        points.add(
            new Plot.Point(
                unit.convert(prediction.number(), shown), unit.convert(reading.amount(), shown)));
      }
    }
    return points;
  }
}
