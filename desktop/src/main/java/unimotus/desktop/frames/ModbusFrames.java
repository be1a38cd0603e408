package unimotus.desktop.frames;

import java.util.List;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.TextArea;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.devices.modbus.explain.ExplainedFrame;
import unimotus.devices.modbus.explain.FramePart;
import unimotus.workbench.capture.Frame;

/** Modbus frames composed, pasted from anywhere or read from a capture. */
final class ModbusFrames {
  private final CheckBox answer = new CheckBox("it is an answer");
  private final ByteSheet sheet = new ByteSheet("frame-parts", "Byte by byte");
  private final TextArea hex =
      FrameWork.field("frame-hex", "11 03 00 6B 00 03 76 87", this::explain);
  private final Desk desk;
  private final CaptureCard<Frame> capture;
  private final FrameWork work;

  /**
   * A place to work in.
   *
   * @param live gives the frames of the last link under Live
   */
  ModbusFrames(Desk desk, Supplier<List<Frame>> live) {
    this.desk = desk;
    answer.setId("frame-answer");
    answer.setOnAction(e -> explain());
    capture = new CaptureCard<>(desk, new ModbusCapture(live), this::show);
    work =
        new FrameWork(
            new ComposeCard(this::show),
            hex,
            Parts.row(
                8,
                answer,
                Parts.spring(),
                Parts.quiet("capture-add", "add it to the capture", this::add)),
            capture,
            sheet);
    explain();
  }

  Node node() {
    return work;
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

  private void explain() {
    if (hex.getText().isBlank()) {
      sheet.say(
          "Compose a request, paste bytes of a serial frame with its check or of TCP with its"
              + " header, or choose one of a capture.",
          "ink-label");
      return;
    }
    try {
      ExplainedFrame frame =
          ExplainedFrame.of(ExplainedFrame.bytes(hex.getText()), answer.isSelected());
      sheet.show(
          frame.serial() ? "Serial frame" : "TCP frame",
          frame.faults(),
          frame.parts().stream().map(ModbusFrames::row).toList());
    } catch (IllegalArgumentException none) {
      sheet.say(String.valueOf(none.getMessage()), "ink-attention");
    }
  }

  private static ByteSheet.Row row(FramePart part) {
    return new ByteSheet.Row(
        part.offset(), part.bytes(), part.name(), part.meaning(), !part.fault().isEmpty());
  }
}
