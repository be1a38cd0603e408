package unimotus.desktop.motion;

import java.util.function.IntFunction;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.motion.ServoAxis;
import unimotus.core.positioning.PositioningWords;
import unimotus.core.positioning.Reply;
import unimotus.core.positioning.Request;
import unimotus.core.quantity.MeasureUnit;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.WholeNumber;
import unimotus.workbench.MotionEdits;

/** Where the bits stand in the words of the drive, as its manual has it. */
final class BitPlacesCard extends VBox {
  private final Desk desk;
  private final String id;
  private final GridPane grid = new GridPane();
  private int row;

  BitPlacesCard(Desk desk, ServoAxis axis) {
    super(6);
    this.desk = desk;
    this.id = axis.axis().id();
    getStyleClass().add("sheet");
    setId("bit-places");
    PositioningWords words = axis.design().positioning().words();
    grid.setHgap(10);
    grid.setVgap(3);
    heading("to the drive");
    for (Request each : Request.values()) {
      bit(each.label(), words.requests().get(each), b -> words.with(each, b));
    }
    bit("position number from", words.numberBit(), b -> words.withNumber(b, words.numberBits()));
    bit("bits of the number", words.numberBits(), b -> words.withNumber(words.numberBit(), b));
    heading("from the drive");
    for (Reply each : Reply.values()) {
      bit(each.label(), words.replies().get(each), b -> words.with(each, b));
    }
    getChildren()
        .addAll(
            Parts.label("Bits in the words", "ink-strong"),
            Parts.prose("A layout to begin from; enter that of the drive's manual.", "ink-caption"),
            grid);
  }

  private void heading(String words) {
    grid.add(Parts.label(words, "ink-label"), 0, row++, 2, 1);
  }

  private void bit(String name, @Nullable Integer bit, IntFunction<PositioningWords> next) {
    Label label = Parts.label(name);
    label.setMinWidth(Region.USE_PREF_SIZE);
    grid.addRow(
        row++,
        label,
        EditField.of(
            desk,
            "bit-" + name.replace(' ', '-'),
            bit == null ? Double.NaN : bit,
            MeasureUnit.ONE,
            v -> {
              PositioningWords words = next.apply(WholeNumber.of(name, v));
              return MotionEdits.words(id, "bit of " + name, words);
            }));
  }
}
