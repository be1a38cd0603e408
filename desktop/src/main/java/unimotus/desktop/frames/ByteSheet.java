package unimotus.desktop.frames;

import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import unimotus.desktop.kit.Parts;

/** Bytes taken apart, a line to each part: where it begins, its bytes, what it is and says. */
final class ByteSheet extends VBox {
  private static final double BYTES_WIDTH = 150;

  /** Two bytes beside each other at least. */
  private static final double LEAST_BYTES = 48;

  private final VBox told = Parts.column(4);
  private final GridPane parts = new GridPane();

  /**
   * A part.
   *
   * @param offset its first byte, from 0
   * @param bytes its bytes in hex digits
   * @param name what it is
   * @param meaning what it says
   * @param isFault whether something is wrong with it
   */
  record Row(int offset, String bytes, String name, String meaning, boolean isFault) {}

  /**
   * A sheet.
   *
   * @param id of its parts
   * @param title over it
   */
  ByteSheet(String id, String title) {
    super(8);
    parts.setHgap(12);
    parts.setVgap(5);
    ColumnConstraints bytes = new ColumnConstraints();
    bytes.setMinWidth(LEAST_BYTES);
    parts.getColumnConstraints().addAll(new ColumnConstraints(), bytes);
    parts.setId(id);
    getChildren().addAll(Parts.label(title, "ink-title"), told, Parts.scrolling(parts));
    getStyleClass().add("sheet");
  }

  /** Says something in the place of parts. */
  void say(String words, String style) {
    parts.getChildren().clear();
    told.getChildren().setAll(Parts.prose(words, style));
  }

  /** Shows parts under what they are together and what is wrong with them. */
  void show(String kind, List<String> faults, List<Row> rows) {
    parts.getChildren().clear();
    told.getChildren().setAll(Parts.label(kind, "ink-strong"));
    faults.forEach(f -> told.getChildren().add(Parts.prose(f, "ink-attention")));
    int line = 0;
    for (Row each : rows) {
      parts.addRow(
          line++,
          whole(Parts.label(String.valueOf(each.offset()), "ink-caption")),
          wrapped(Parts.prose(each.bytes(), "ink-strong")),
          whole(Parts.label(each.name())),
          Parts.prose(each.meaning(), each.isFault() ? "ink-attention" : "ink-label"));
    }
  }

  /** Never cut, however long its neighbours are. */
  private static Label whole(Label label) {
    label.setMinWidth(Region.USE_PREF_SIZE);
    return label;
  }

  private static Label wrapped(Label bytes) {
    bytes.setMaxWidth(BYTES_WIDTH);
    return bytes;
  }
}
