package unimotus.desktop.motion;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.motion.ServoAxis;
import unimotus.core.quantity.Count;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.review.AxisReview;
import unimotus.core.servo.RecordedMotion;
import unimotus.core.servo.TraceOverlay;
import unimotus.core.servo.TraceOverlay.Repeat;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Fitted;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Plot;
import unimotus.desktop.kit.QuantityField;
import unimotus.desktop.kit.Series;
import unimotus.desktop.kit.Sides;
import unimotus.formats.trace.MotionCsv;
import unimotus.workbench.live.ServoTrial;

/** A run of the moves, simulated or recorded, cut at each start and laid over the prediction. */
final class TraceSide implements ServoSide {
  private static final double LEAST_MAIN = 470;
  private static final double LEAST_SIDE = 400;
  private static final double SIDE = 400;
  private static final double AFTERWARDS = 0.3;
  private static final int USUAL_TIMES = 3;
  private static final int DIGITS = 3;

  private final Desk desk;
  private final Plot position = new Plot("Position of the load", "s", "");
  private final Plot difference = new Plot("Recorded less predicted", "s", "");
  private final Label source = Parts.passing("ink-strong");
  private final Label refusal = Parts.passing("ink-attention");
  private final GridPane repeats = new GridPane();
  private final VBox summary = new VBox(4);
  private final QuantityField times;
  private final Sides node;
  private int count = USUAL_TIMES;
  private @Nullable ServoAxis axis;
  private @Nullable Recorded recorded;

  /**
   * What was recorded.
   *
   * @param axis id of the axis it belongs to
   * @param source where it comes from
   * @param fault what the drive did instead; empty for nothing
   * @param ofDesign the axis it was run with; null for a recording, which no change makes stale
   */
  private record Recorded(
      String axis,
      RecordedMotion motion,
      String source,
      String fault,
      @Nullable ServoAxis ofDesign) {}

  TraceSide(Desk desk) {
    this.desk = desk;
    difference.xLow().bindBidirectional(position.xLow());
    difference.xHigh().bindBidirectional(position.xHigh());
    difference.cursor().bindBidirectional(position.cursor());
    difference.secondCursor().bindBidirectional(position.secondCursor());
    position.setId("trace-position");
    difference.setId("trace-difference");
    refusal.setId("trace-refusal");
    source.setId("trace-source");
    repeats.setId("trace-repeats");
    repeats.setHgap(14);
    repeats.setVgap(5);
    times = new QuantityField("times", MeasureUnit.ONE, desk::units, this::often, desk::refuse);
    times.setPrefColumnCount(4);
    times.setId("trace-times");
    times.show(count);
    VBox main = new VBox(6, source, refusal, position, difference);
    for (Plot plot : List.of(position, difference)) {
      plot.setPrefHeight(150);
      VBox.setVgrow(plot, Priority.ALWAYS);
    }
    VBox from =
        Parts.sheet(
            8,
            Parts.label("Where the trace comes from", "ink-strong"),
            Parts.row(
                8,
                Parts.primary("trace-run", "Run on the simulated drive", this::run),
                Parts.label("times", "ink-label"),
                times),
            Parts.row(
                8,
                Parts.action("trace-read", "Read a recording…", this::read),
                Parts.quiet("trace-clear", "clear", this::clear)),
            Parts.prose(
                "A recording is a table with the columns Time (s) and Position (mm), in any units,"
                    + " taken from rest on. Each start is found where the axis has gone a hundredth"
                    + " of its way, on both curves alike.",
                "ink-caption"));
    VBox side =
        new VBox(10, from, Parts.sheet(6, Parts.label("Repeats", "ink-strong"), repeats, summary));
    node = new Sides(main, Parts.scrolling(side), LEAST_MAIN, LEAST_SIDE, SIDE);
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public void show(ServoAxis shown, AxisReview review) {
    axis = shown;
    Recorded held = recorded;
    if (held != null && !held.axis().equals(shown.axis().id())) {
      recorded = null;
    } else if (held != null && held.ofDesign() != null && !held.ofDesign().equals(shown)) {
      // A run of a design that is no longer there would be laid over another one's prediction.
      recorded = null;
    }
    draw();
  }

  private void often(double entered) {
    if (entered != Math.rint(entered) || entered < 1 || entered > ServoTrial.MOST_TIMES) {
      throw new IllegalArgumentException(
          "the moves are run 1 to %d times, a whole number, not %s"
              .formatted(ServoTrial.MOST_TIMES, desk.units().format().number(entered)));
    }
    count = (int) entered;
  }

  private void run() {
    ServoAxis shown = axis;
    if (shown != null) {
      taken(
          () -> {
            ServoTrial trial = ServoTrial.run(shown, count);
            return new Recorded(
                shown.axis().id(),
                trial.motion(),
                "run on the simulated drive",
                trial.faultText(),
                shown);
          });
    }
  }

  private void read() {
    ServoAxis shown = axis;
    if (shown != null) {
      desk.dialogs().importFile().ifPresent(file -> read(shown, file));
    }
  }

  private void read(ServoAxis shown, Path file) {
    try {
      RecordedMotion motion =
          MotionCsv.read(file.getFileName().toString(), Files.readAllBytes(file), shown.unit());
      taken(
          () ->
              new Recorded(shown.axis().id(), motion, "recorded: " + file.getFileName(), "", null));
    } catch (IOException unread) {
      desk.refuse(unread.getMessage());
    }
  }

  private void taken(Supplier<Recorded> made) {
    try {
      recorded = made.get();
      draw();
    } catch (IllegalArgumentException refused) {
      desk.refuse(refused.getMessage());
    }
  }

  private void clear() {
    recorded = null;
    draw();
  }

  private void draw() {
    ServoAxis shown = axis;
    repeats.getChildren().clear();
    summary.getChildren().clear();
    refusal.setText("");
    source.setText("");
    List.of(position, difference).forEach(p -> p.show(List.of(), 0, 1, 0, 1));
    if (shown == null) {
      return;
    }
    Recorded held = recorded;
    if (held == null) {
      summary
          .getChildren()
          .add(
              Parts.prose(
                  "Nothing is recorded yet: run the moves on the simulated drive, or read what was"
                      + " recorded at the machine.",
                  "ink-label"));
      return;
    }
    source.setText(held.source());
    refusal.setText(held.fault());
    try {
      lay(
          shown,
          TraceOverlay.of(
              held.motion(),
              shown.run(shown.gains(), AFTERWARDS),
              shown.radiansPerUnit(),
              shown.plan().seconds()));
    } catch (IllegalArgumentException unfit) {
      refusal.setText(
          held.fault().isEmpty() ? unfit.getMessage() : held.fault() + "; " + unfit.getMessage());
    }
  }

  private void lay(ServoAxis shown, TraceOverlay overlay) {
    MeasureUnit unit = desk.units().shown(shown.unit());
    double factor = shown.unit().convert(1, unit);
    position.setYUnit(unit.symbol());
    difference.setYUnit(unit.symbol());
    List<Series> lines = new ArrayList<>();
    List<Series> differences = new ArrayList<>();
    RecordedMotion predicted = overlay.predicted();
    double ends = shown.plan().seconds();
    for (int i = 0; i < overlay.repeats().size(); i++) {
      lines.add(recorded(overlay, i, ends, t -> factor * overlay.recorded().at(t)));
      double begins = overlay.repeats().get(i).begins();
      differences.add(
          recorded(
              overlay,
              i,
              ends,
              t -> factor * (overlay.recorded().at(t) - predicted.at(t - begins))));
    }
    lines.add(
        new Series(
            "predicted",
            "plot-predicted",
            predicted.size(),
            i -> predicted.seconds()[i],
            i -> factor * predicted.position()[i]));
    double band = factor * overlay.tolerance();
    for (double edge : new double[] {band, -band}) {
      differences.add(new Series("within", "plot-predicted", 2, i -> i * ends, i -> edge));
    }
    Fitted.show(position, lines, ends);
    Fitted.show(difference, differences, ends);
    table(shown, overlay);
  }

  private interface Value {
    double at(double time);
  }

  private static Series recorded(TraceOverlay overlay, int index, double ends, Value value) {
    RecordedMotion motion = overlay.recorded();
    double begins = overlay.repeats().get(index).begins();
    int first = motion.firstAt(begins);
    int size = motion.firstAt(begins + ends) - first;
    return new Series(
        "repeat %d".formatted(index + 1),
        "plot-measured-line",
        size,
        i -> motion.seconds()[first + i] - begins,
        i -> value.at(motion.seconds()[first + i]));
  }

  private void table(ServoAxis shown, TraceOverlay overlay) {
    int row = 0;
    int column = 0;
    for (String head : List.of("begins", "way", "ends at", "differs by", "after")) {
      repeats.add(Parts.label(head, "ink-label"), column++, row);
    }
    for (Repeat each : overlay.repeats()) {
      row++;
      repeats.addRow(
          row,
          Parts.label(text(each.begins(), MeasureUnit.SECOND_UNIT), "ink-live"),
          Parts.label(digits().number(each.ratio()), "ink-live"),
          Parts.label(text(each.end(), shown.unit()), "ink-live"),
          Parts.label(text(each.difference(), shown.unit()), "ink-live"),
          Parts.label(text(each.differsAt(), MeasureUnit.SECOND_UNIT), "ink-live"));
      row++;
      Label seen =
          Parts.prose(overlay.seen(each), overlay.holds(each) ? "ink-sum" : "ink-attention");
      repeats.add(seen, 0, row, column, 1);
    }
    repeats.getChildren().stream()
        .filter(n -> GridPane.getColumnSpan(n) == null)
        .forEach(n -> ((Label) n).setMinWidth(Region.USE_PREF_SIZE));
    summary
        .getChildren()
        .add(
            Parts.prose(
                "%s; within %s is as predicted%s."
                    .formatted(
                        Count.of(overlay.repeats().size(), "repeat"),
                        text(overlay.tolerance(), shown.unit()),
                        Double.isNaN(overlay.spread())
                            ? ""
                            : "; the ends lie %s apart"
                                .formatted(text(overlay.spread(), shown.unit()))),
                "ink-label"));
  }

  private String text(double value, MeasureUnit unit) {
    MeasureUnit shown = desk.units().shown(unit);
    return digits().text(unit.convert(value, shown), shown);
  }

  /** A comparison of curves is worth no more digits. */
  private QuantityFormat digits() {
    return new QuantityFormat(desk.units().format().decimalMark(), DIGITS);
  }
}
