package unimotus.desktop.map;

import java.util.List;
import java.util.function.Supplier;
import javafx.geometry.Insets;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Sides;
import unimotus.devices.modbus.explain.ExplainedFrame;
import unimotus.devices.modbus.explain.FramePart;
import unimotus.workbench.capture.Frame;

/** Frames composed, pasted from anywhere or read from a capture, with every byte explained. */
final class FramesPane extends HBox {
  private static final double BYTES_WIDTH = 150;

  private static final double LEAST_CAPTURE = 540;
  private static final double LEAST_FRAME = 260;
  private static final double FRAME = 760;

  private final TextArea hex = new TextArea();
  private final CheckBox answer = new CheckBox("it is an answer");
  private final GridPane parts = new GridPane();
  private final VBox told = Parts.column(4);
  private final Desk desk;
  private final CaptureCard capture;

  /**
   * The pane.
   *
   * @param live gives the frames of the last link under Live
   */
  FramesPane(Desk desk, Supplier<List<Frame>> live) {
    super(14);
    this.desk = desk;
    setPadding(new Insets(12, 16, 12, 16));
    hex.setId("frame-hex");
    hex.setAccessibleText("bytes of a frame");
    hex.setPrefRowCount(3);
    hex.setMinHeight(64);
    hex.setWrapText(true);
    hex.setPromptText("11 03 00 6B 00 03 76 87");
    hex.textProperty().addListener((o, was, is) -> explain());
    answer.setId("frame-answer");
    answer.setOnAction(e -> explain());
    parts.setHgap(18);
    parts.setVgap(5);
    parts.setId("frame-parts");
    capture = new CaptureCard(desk, live, this::show);
    VBox left =
        new VBox(
            10,
            Parts.sheet(8, new ComposeCard(this::show)),
            Parts.sheet(
                8,
                Parts.label("or paste bytes in any writing", "ink-strong"),
                hex,
                Parts.row(
                    8,
                    answer,
                    Parts.spring(),
                    Parts.quiet("capture-add", "add it to the capture", this::add))),
            grown(Parts.sheet(8, capture)));
    VBox.setVgrow(capture, Priority.ALWAYS);
    VBox right =
        Parts.sheet(
            8, Parts.label("The frame, byte by byte", "ink-title"), told, Parts.scrolling(parts));
    Sides sides = new Sides(left, right, LEAST_CAPTURE, LEAST_FRAME, FRAME);
    HBox.setHgrow(sides, Priority.ALWAYS);
    getChildren().add(sides);
    explain();
  }

  private static VBox grown(VBox sheet) {
    VBox.setVgrow(sheet, Priority.ALWAYS);
    return sheet;
  }

  private void show(String bytes, boolean isAnswer) {
    answer.setSelected(isAnswer);
    hex.setText(bytes);
    explain();
  }

  private void add() {
    try {
      capture.add(ExplainedFrame.bytes(hex.getText()), answer.isSelected());
    } catch (IllegalArgumentException none) {
      desk.refuse(none.getMessage());
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

  private void explain() {
    parts.getChildren().clear();
    told.getChildren().clear();
    if (hex.getText().isBlank()) {
      told.getChildren()
          .add(
              Parts.prose(
                  "Compose a request, paste bytes of a serial frame with its check or of TCP with its header, or choose one of a capture.",
                  "ink-label"));
      return;
    }
    try {
      ExplainedFrame frame =
          ExplainedFrame.of(ExplainedFrame.bytes(hex.getText()), answer.isSelected());
      told.getChildren()
          .add(Parts.label(frame.serial() ? "Serial frame" : "TCP frame", "ink-strong"));
      if (!frame.fault().isEmpty()) {
        frame.faults().forEach(f -> told.getChildren().add(Parts.prose(f, "ink-attention")));
      }
      int row = 0;
      for (FramePart part : frame.parts()) {
        parts.addRow(
            row++,
            whole(Parts.label(String.valueOf(part.offset()), "ink-caption")),
            wrapped(Parts.prose(part.bytes(), "ink-strong")),
            whole(Parts.label(part.name())),
            Parts.prose(part.meaning(), part.fault().isEmpty() ? "ink-label" : "ink-attention"));
      }
    } catch (IllegalArgumentException none) {
      told.getChildren().add(Parts.prose(String.valueOf(none.getMessage()), "ink-attention"));
    }
  }
}
