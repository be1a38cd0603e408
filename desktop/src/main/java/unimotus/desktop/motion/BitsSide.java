package unimotus.desktop.motion;

import java.util.List;
import java.util.Optional;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.motion.ServoAxis;
import unimotus.core.positioning.Handshake;
import unimotus.core.positioning.HandshakeCase;
import unimotus.core.positioning.PositionTable;
import unimotus.core.positioning.PositioningWords;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.review.AxisReview;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Plot;
import unimotus.desktop.kit.Series;
import unimotus.desktop.kit.Sides;
import unimotus.desktop.station.InputStrips;

/** Positioning by bits: the table in the drive, and the timeline of a handshake, right or wrong. */
final class BitsSide implements ServoSide {
  private static final double LEAST_MAIN = 560;
  private static final double LEAST_SIDE = 260;
  private static final double SIDE = 330;
  private static final double AFTER = 0.3;
  private static final int SAMPLES = 800;
  private static final double MARGIN = 0.08;

  private final Desk desk;
  private final ChoiceField<HandshakeCase> cases;
  private final Label meaning = Parts.prose("", "ink-label");
  private final Label why = Parts.passing("ink-attention");
  private final Plot position = new Plot("Position", "s", "");
  private final InputStrips strips = new InputStrips(position.xLow(), position.xHigh());
  private final VBox entered = new VBox(12);
  private final GridPane moments = grid("handshake-moments");
  private final Sides node;
  private HandshakeCase chosen = HandshakeCase.SOUND;
  private @Nullable ServoAxis axis;

  BitsSide(Desk desk) {
    this.desk = desk;
    cases =
        new ChoiceField<>(
            "case", List.of(HandshakeCase.values()), HandshakeCase::label, this::choose);
    cases.setId("handshake-case");
    cases.show(chosen);
    position.setId("handshake-position");
    position.setMinHeight(120);
    VBox.setVgrow(position, Priority.ALWAYS);
    VBox main =
        new VBox(
            8,
            Parts.row(10, Parts.label("Controller", "ink-label"), cases),
            meaning,
            why,
            position,
            strips,
            Parts.prose(
                "Homing is drawn as 1 s: it takes as long as it takes. A drive's own manual says how"
                    + " it takes a start while busy; here it is not taken, as is common.",
                "ink-caption"));
    VBox side =
        new VBox(12, Parts.sheet(6, Parts.label("What happens", "ink-strong"), moments), entered);
    node = new Sides(Parts.scrolling(main), Parts.scrolling(side), LEAST_MAIN, LEAST_SIDE, SIDE);
  }

  private static GridPane grid(String id) {
    GridPane grid = new GridPane();
    grid.setId(id);
    grid.setHgap(10);
    grid.setVgap(4);
    return grid;
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public void show(ServoAxis next, AxisReview review) {
    axis = next;
    redraw();
  }

  private void choose(HandshakeCase next) {
    chosen = next;
    redraw();
  }

  private void redraw() {
    ServoAxis shown = axis;
    if (shown == null) {
      return;
    }
    PositionTable positions = shown.table();
    entered.getChildren().setAll(new TableCard(desk, shown), new BitPlacesCard(desk, shown));
    meaning.setText(chosen.meaning());
    Optional<String> not = chosen.whyNot(positions);
    why.setText(not.map(n -> n + ": see Moves").orElse(""));
    moments.getChildren().clear();
    if (not.isPresent()) {
      position.show(List.of(), 0, 1, 0, 1);
      strips.show(List.of());
      return;
    }
    Handshake handshake = chosen.play(positions, shown.design().moves().start());
    double end = handshake.seconds() + AFTER;
    draw(shown, handshake, end);
    strips.show(BitStrips.of(handshake, end));
    showMoments(shown, handshake);
  }

  private void draw(ServoAxis shown, Handshake handshake, double end) {
    MeasureUnit unit = desk.units().shown(shown.unit());
    double period = end / (SAMPLES - 1);
    double[] at = handshake.positions(period, SAMPLES);
    double low = 0;
    double high = 0;
    for (int i = 0; i < SAMPLES; i++) {
      at[i] = shown.unit().convert(at[i], unit);
      low = Math.min(low, at[i]);
      high = Math.max(high, at[i]);
    }
    double margin = high > low ? MARGIN * (high - low) : 1;
    position.setYUnit(unit.symbol());
    position.setFormat(desk.units().format());
    position.show(
        List.of(new Series("position", "plot-predicted", SAMPLES, i -> i * period, i -> at[i])),
        0,
        end,
        low - margin,
        high + margin);
  }

  private void showMoments(ServoAxis shown, Handshake handshake) {
    int row = 0;
    PositioningWords words = shown.design().positioning().words();
    for (Handshake.Moment each : handshake.moments()) {
      if (!each.note().isEmpty()) {
        Label time =
            Parts.label(desk.units().text(each.time(), MeasureUnit.SECOND_UNIT), "ink-label");
        time.setMinWidth(Region.USE_PREF_SIZE);
        Label note =
            Parts.prose(
                "%s, at %s"
                    .formatted(each.note(), desk.units().text(each.position(), shown.unit())));
        GridPane.setValignment(time, VPos.TOP);
        moments.add(time, 0, row);
        moments.add(
            Parts.column(0, note, Parts.prose(words(words, each), "ink-caption")), 1, row++);
      }
    }
  }

  private static String words(PositioningWords words, Handshake.Moment moment) {
    try {
      return "to the drive 0x%04X, from it 0x%04X"
          .formatted(
              words.command(moment.requests(), moment.number()), words.status(moment.replies()));
    } catch (IllegalArgumentException unfit) {
      return String.valueOf(unfit.getMessage());
    }
  }
}
