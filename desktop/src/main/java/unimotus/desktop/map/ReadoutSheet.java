package unimotus.desktop.map;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import javafx.geometry.VPos;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.processdata.ServoByHand;
import unimotus.core.profile.WordState;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.ValueRole;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Plot;
import unimotus.desktop.kit.Series;
import unimotus.workbench.live.LiveLink;
import unimotus.workbench.live.Sample;

/** What a drive says now: its state, its registers and the trend of its frequency. */
final class ReadoutSheet extends VBox {
  private static final int KEPT_SAMPLES = 300;
  private static final int SHOWN_SECONDS = 10;
  private static final int LEAST_TOP = 10;

  private final Desk desk;
  private final Label state = Parts.label("not connected", "ink-big");
  private final Label who = Parts.passing("ink-caption");
  private final Label standing = Parts.passing("ink-caption");
  private final Label trouble = Parts.passing("ink-attention");
  private final GridPane values = new GridPane();
  private final Plot trend = new Plot("Output frequency", "s", "Hz");
  private final Map<PlacedValue, Label> shown = new LinkedHashMap<>();
  private final Deque<double[]> samples = new ArrayDeque<>();
  private @Nullable String trended;

  /** The value the heading of the trend names; null before one was drawn. */
  private @Nullable PlacedValue headed;

  private long begun = System.nanoTime();

  ReadoutSheet(Desk desk, javafx.scene.Node record) {
    super(8);
    this.desk = desk;
    getStyleClass().add("sheet");
    state.setMinWidth(Region.USE_PREF_SIZE);
    values.setHgap(16);
    values.setVgap(4);
    values.setId("live-values");
    trend.setPrefHeight(220);
    trend.setMinHeight(140);
    VBox.setVgrow(trend, Priority.SOMETIMES);
    getChildren().addAll(state, who, standing, trouble, record, Parts.scrolling(values), trend);
  }

  /** Begins anew with another drive. */
  void begin() {
    samples.clear();
    headed = null;
    begun = System.nanoTime();
    state.setText("not connected");
    who.setText("");
    standing.setText("");
    trouble.setText("");
    values.getChildren().clear();
    shown.clear();
  }

  /** Says who the device says it is. */
  void tellWho(String text) {
    who.setText(text);
  }

  /** Says why nothing is read. */
  void tellTrouble(String why) {
    trouble.setText(why);
  }

  void show(LiveLink link, Sample sample) {
    trouble.setText(String.join("\n", sample.refusals()));
    standing.setText(link.standing());
    boolean hasStatus =
        link.values().stream().anyMatch(v -> v.value().role() == ValueRole.STATUS_WORD);
    state.setText(
        sample
            .state()
            .map(WordState::name)
            .orElse(hasStatus ? "no state of this profile" : "no status word in the map"));
    rows(link.values());
    shown.forEach((entry, label) -> label.setText(sample.shown(entry, desk.units().format())));
    trend(link, sample);
  }

  /** The rows stay as long as the values do, so that they can be pressed. */
  private void rows(List<PlacedValue> all) {
    if (shown.keySet().equals(new LinkedHashSet<>(all))) {
      return;
    }
    values.getChildren().clear();
    shown.clear();
    int row = 0;
    for (PlacedValue entry : all) {
      Label value = Parts.label("", "ink-strong");
      value.setMinWidth(Region.USE_PREF_SIZE);
      GridPane.setValignment(value, VPos.TOP);
      values.addRow(
          row,
          Parts.column(
              0,
              Parts.quiet("trend-" + row, entry.value().name(), () -> trend(entry)),
              Parts.label(entry.sign(), "ink-caption")),
          value);
      shown.put(entry, value);
      row++;
    }
  }

  /** Another value is drawn from now on. */
  private void trend(PlacedValue entry) {
    trended = entry.value().name();
    samples.clear();
  }

  private static Optional<PlacedValue> first(LiveLink link, Predicate<PlacedValue> which) {
    return link.values().stream().filter(which).findFirst();
  }

  private void trend(LiveLink link, Sample sample) {
    PlacedValue drawn =
        first(link, v -> v.value().name().equals(trended))
            .or(() -> first(link, v -> v.value().role() == ValueRole.OUTPUT_FREQUENCY))
            .or(() -> first(link, v -> v.value().name().equals(ServoByHand.POSITION_NAME)))
            .orElse(null);
    if (drawn == null || sample.value(drawn).isEmpty()) {
      return;
    }
    if (!drawn.equals(headed)) {
      headed = drawn;
      trend.heading(drawn.name(), drawn.unit());
    }
    double value = sample.value(drawn).getAsDouble();
    samples.addLast(new double[] {(System.nanoTime() - begun) / 1e9, value});
    if (samples.size() > KEPT_SAMPLES) {
      samples.removeFirst();
    }
    List<double[]> kept = List.copyOf(samples);
    double from = kept.get(0)[0];
    double to = Math.max(from + SHOWN_SECONDS, kept.get(kept.size() - 1)[0]);
    double top = kept.stream().mapToDouble(s -> s[1]).max().orElse(0);
    double low = kept.stream().mapToDouble(s -> s[1]).min().orElse(0);
    trend.show(
        List.of(
            new Series(
                "output",
                "plot-measured-line",
                kept.size(),
                i -> kept.get(i)[0],
                i -> kept.get(i)[1])),
        from,
        to,
        Math.min(0, 1.1 * low),
        Math.max(LEAST_TOP, 1.1 * top));
  }
}
