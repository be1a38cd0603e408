package unimotus.desktop.frames;

import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.TextArea;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Sides;

/** Bytes that are composed, pasted or chosen of a capture, and beside them what they say. */
final class FrameWork extends HBox {
  private static final double LEAST_CAPTURE = 540;
  private static final double LEAST_FRAME = 260;
  private static final double FRAME = 760;

  /**
   * A place to work in.
   *
   * @param compose where one is put together
   * @param hex the field for the bytes
   * @param beside what stands under the field
   * @param capture the frames of a capture
   * @param sheet what the bytes say
   */
  FrameWork(Node compose, TextArea hex, Node beside, CaptureCard<?> capture, ByteSheet sheet) {
    super(14);
    setPadding(new Insets(8, 16, 12, 16));
    VBox left =
        new VBox(
            10,
            Parts.sheet(8, compose),
            Parts.sheet(8, Parts.label("or paste bytes in any writing", "ink-strong"), hex, beside),
            grown(Parts.sheet(8, capture)));
    VBox.setVgrow(capture, Priority.ALWAYS);
    Sides sides = new Sides(left, sheet, LEAST_CAPTURE, LEAST_FRAME, FRAME);
    HBox.setHgrow(sides, Priority.ALWAYS);
    getChildren().add(sides);
  }

  private static VBox grown(VBox sheet) {
    VBox.setVgrow(sheet, Priority.ALWAYS);
    return sheet;
  }

  /**
   * A field for bytes.
   *
   * @param prompt bytes as they may be pasted
   * @param changed is told when they change
   */
  static TextArea field(String id, String prompt, Runnable changed) {
    TextArea hex = new TextArea();
    hex.setId(id);
    hex.setAccessibleText("bytes of a frame");
    hex.setPrefRowCount(3);
    hex.setMinHeight(64);
    hex.setWrapText(true);
    hex.setPromptText(prompt);
    hex.textProperty().addListener((o, was, is) -> changed.run());
    return hex;
  }
}
