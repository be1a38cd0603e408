package unimotus.desktop.bus;

import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.finding.Severity;
import unimotus.core.machine.BusTiming;
import unimotus.core.processdata.CycleReview;
import unimotus.core.processdata.LineCycle;
import unimotus.core.quantity.QuantityFormat;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Mark;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.WordField;
import unimotus.workbench.StationEdits;

/** The cycle of the bus: what has to fit into it, the sum, and what does not suit. */
final class CyclePane extends VBox {
  private static final double MICROSECOND = 1e3;
  private static final double MILLISECOND = 1e6;
  private static final int COLUMNS = 7;

  private final Desk desk;

  CyclePane(Desk desk) {
    super(12);
    this.desk = desk;
    setId("station-cycle");
    BusTiming timing = desk.session().project().busTiming();
    getChildren()
        .add(
            Parts.sheet(
                8, Parts.label("The cycle of the whole bus", "ink-strong"), fields(timing)));
    if (timing == null) {
      getChildren()
          .add(
              Parts.prose(
                  "Enter the cycle: the time of the frames, and whether drives, watchdogs and"
                      + " motion axes suit it, follow from the stations.",
                  "ink-label"));
      return;
    }
    LineCycle.of(desk.session().project(), desk.session().sheets().descriptions())
        .ifPresent(this::show);
  }

  private void show(LineCycle line) {
    VBox sums = Parts.sheet(6, Parts.label("What it takes", "ink-strong"), steps(line.review()));
    if (!line.undescribed().isEmpty()) {
      sums.getChildren()
          .add(
              Parts.prose(
                  "Not described, so that their data are not among the frames: "
                      + String.join(", ", line.undescribed()),
                  "ink-attention"));
    }
    VBox doubts = Parts.column(6);
    for (CycleReview.Doubt each : line.doubts()) {
      doubts
          .getChildren()
          .add(
              Parts.row(
                  9,
                  new Mark(
                      each.severity() == Severity.NOTE ? Mark.Kind.OPEN : Mark.Kind.ATTENTION,
                      each.severity().label()),
                  Parts.prose(
                      "%s. %s  (%s)".formatted(each.seen(), each.remedy(), each.source()))));
    }
    if (line.doubts().isEmpty()) {
      doubts
          .getChildren()
          .add(
              Parts.prose(
                  "Of what is entered and described, nothing contradicts the cycle.", "ink-label"));
    }
    getChildren().addAll(doubts, sums);
  }

  private static Node steps(CycleReview review) {
    VBox steps = Parts.column(4);
    review.sum().steps().forEach(s -> steps.getChildren().add(Parts.prose(s.text(), "ink-label")));
    return steps;
  }

  private Node fields(@Nullable BusTiming timing) {
    GridPane grid = new GridPane();
    grid.setHgap(10);
    grid.setVgap(5);
    BusTiming now = timing == null ? BusTiming.of(1) : timing;
    add(
        grid,
        0,
        "cycle",
        "ms",
        timing == null ? "" : shown(now.cycleNs(), MILLISECOND),
        "from one frame to the next",
        text -> cycle(timing, text));
    if (timing == null) {
      return grid;
    }
    add(
        grid,
        1,
        "forwarding",
        "µs",
        shown(now.forwardNs(), MICROSECOND),
        "a station delays a frame, there and back; 0.6 to 1.2, to be measured",
        text -> set(t -> t.withForwardNs(ns("forwarding", text, MICROSECOND))));
    add(
        grid,
        2,
        "cables",
        "m",
        QuantityFormat.PLAIN.number(now.cableMetres()),
        "all together",
        text -> set(t -> t.withCableMetres(number("cables", text))));
    add(
        grid,
        3,
        "copy",
        "µs",
        shown(now.copyNs(), MICROSECOND),
        "the controller copies its variables",
        text -> set(t -> t.withCopyNs(ns("copy", text, MICROSECOND))));
    add(
        grid,
        4,
        "device",
        "µs",
        shown(now.deviceNs(), MICROSECOND),
        "from the frame to the loop of the slowest device",
        text -> set(t -> t.withDeviceNs(ns("device", text, MICROSECOND))));
    add(
        grid,
        5,
        "loop",
        "µs",
        shown(now.loopNs(), MICROSECOND),
        "position loop of the drives; blank where not known",
        text -> set(t -> t.looping(blank("loop", text, MICROSECOND))));
    add(
        grid,
        6,
        "watchdog",
        "ms",
        shown(now.watchdogNs(), MILLISECOND),
        "without frames a device stops; blank where not known",
        text -> set(t -> t.watched(blank("watchdog", text, MILLISECOND))));
    add(
        grid,
        7,
        "shift",
        "µs",
        shown(now.shiftNs(), MICROSECOND),
        "of the synchronising signal behind the frame; blank without one",
        text -> set(t -> t.shifted(blank("shift", text, MICROSECOND))));
    return grid;
  }

  private void add(
      GridPane grid,
      int line,
      String name,
      String unit,
      String value,
      String beside,
      Consumer<String> take) {
    grid.addRow(
        line,
        Cells.whole(name, "ink-label"),
        new WordField(
            "cycle-" + name,
            "%s in %s".formatted(name, unit),
            value,
            COLUMNS,
            text -> taken(() -> take.accept(text))),
        Cells.whole(unit, "ink-caption"),
        Parts.prose(beside, "ink-caption"));
  }

  /** What cannot be taken is said, and the field shows what was there. */
  private void taken(Runnable take) {
    try {
      take.run();
    } catch (IllegalArgumentException refused) {
      desk.refuse(String.valueOf(refused.getMessage()));
      desk.refresh();
    }
  }

  private void cycle(@Nullable BusTiming timing, String text) {
    if (text.isEmpty()) {
      desk.apply(StationEdits.timing(null));
      return;
    }
    long ns = ns("cycle", text, MILLISECOND);
    desk.apply(StationEdits.timing(timing == null ? BusTiming.of(ns) : timing.withCycleNs(ns)));
  }

  private void set(UnaryOperator<BusTiming> change) {
    Optional.ofNullable(desk.session().project().busTiming())
        .ifPresent(t -> desk.apply(StationEdits.timing(change.apply(t))));
  }

  private static String shown(@Nullable Long ns, double unit) {
    return ns == null ? "" : QuantityFormat.PLAIN.number(ns / unit);
  }

  private static @Nullable Long blank(String name, String text, double unit) {
    return text.isEmpty() ? null : (Long) ns(name, text, unit);
  }

  private static long ns(String name, String text, double unit) {
    return Math.round(unit * number(name, text));
  }

  private static double number(String name, String text) {
    try {
      double number = Double.parseDouble(text.replace(',', '.').toLowerCase(Locale.ROOT));
      if (Double.isFinite(number)) {
        return number;
      }
    } catch (NumberFormatException none) {
      // Told below.
    }
    throw new IllegalArgumentException("%s '%s' is no number".formatted(name, text));
  }
}
