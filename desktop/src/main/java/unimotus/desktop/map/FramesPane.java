package unimotus.desktop.map;

import javafx.geometry.Insets;
import javafx.scene.control.CheckBox;
import javafx.scene.control.TextArea;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import unimotus.desktop.kit.Parts;
import unimotus.devices.modbus.ExplainedFrame;
import unimotus.devices.modbus.FramePart;

/** A frame pasted from anywhere, with every byte explained. */
final class FramesPane extends VBox {
  private final TextArea hex = new TextArea();
  private final CheckBox answer = new CheckBox("it is an answer");
  private final GridPane parts = new GridPane();
  private final VBox told = Parts.column(4);

  FramesPane() {
    super(10);
    setPadding(new Insets(12, 16, 12, 16));
    hex.setId("frame-hex");
    hex.setPrefRowCount(3);
    hex.setWrapText(true);
    hex.setPromptText("11 03 00 6B 00 03 76 87");
    hex.textProperty().addListener((o, was, is) -> explain());
    answer.setId("frame-answer");
    answer.setOnAction(e -> explain());
    parts.setHgap(18);
    parts.setVgap(5);
    parts.setId("frame-parts");
    getChildren()
        .addAll(
            Parts.label("A frame, byte by byte", "ink-title"),
            Parts.prose(
                "Paste the bytes in any writing: serial with its check, or TCP with its header.",
                "ink-label"),
            hex,
            answer,
            told,
            Parts.scrolling(parts));
    explain();
  }

  private void explain() {
    parts.getChildren().clear();
    told.getChildren().clear();
    if (hex.getText().isBlank()) {
      return;
    }
    try {
      ExplainedFrame frame =
          ExplainedFrame.of(ExplainedFrame.bytes(hex.getText()), answer.isSelected());
      told.getChildren()
          .add(Parts.label(frame.serial() ? "Serial frame" : "TCP frame", "ink-strong"));
      if (!frame.fault().isEmpty()) {
        told.getChildren().add(Parts.label(frame.fault(), "ink-attention"));
      }
      int row = 0;
      for (FramePart part : frame.parts()) {
        parts.addRow(
            row++,
            Parts.label(String.valueOf(part.offset()), "ink-caption"),
            Parts.label(part.bytes(), "ink-strong"),
            Parts.label(part.name()),
            Parts.label(part.meaning(), "ink-label"));
      }
    } catch (IllegalArgumentException none) {
      told.getChildren().add(Parts.prose(String.valueOf(none.getMessage()), "ink-attention"));
    }
  }
}
