package unimotus.desktop.frames;

import java.util.List;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.TextArea;
import unimotus.core.quantity.Count;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.devices.ethercat.TelegramPart;
import unimotus.devices.ethercat.explain.ExplainedTelegram;
import unimotus.devices.modbus.explain.ExplainedFrame;
import unimotus.formats.capture.Packet;
import unimotus.workbench.capture.CapturedTelegrams;

/** Telegrams of a process-data fieldbus composed, pasted from anywhere or read from a capture. */
final class TelegramFrames {
  private final ByteSheet sheet = new ByteSheet("telegram-parts", "Byte by byte");
  private final TextArea hex =
      FrameWork.field(
          "telegram-hex", "0E 10 04 07 01 10 30 01 02 00 00 00 12 00 01 00", this::explain);
  private final Desk desk;
  private final CaptureCard<CapturedTelegrams.Line> capture;
  private final FrameWork work;

  /**
   * A place to work in.
   *
   * @param live gives the packets of the last connection to a station under Live
   */
  TelegramFrames(Desk desk, Supplier<List<Packet>> live) {
    this.desk = desk;
    capture = new CaptureCard<>(desk, new TelegramCapture(live), (bytes, answer) -> show(bytes));
    work =
        new FrameWork(
            new ComposeTelegramCard(this::show),
            hex,
            Parts.row(
                8,
                Parts.label("from its own header on", "ink-caption"),
                Parts.spring(),
                Parts.quiet("telegrams-add", "add it to the capture", this::add)),
            capture,
            sheet);
    explain();
  }

  Node node() {
    return work;
  }

  private void show(String bytes) {
    hex.setText(bytes);
    explain();
  }

  private void add() {
    try {
      capture.add(ExplainedFrame.bytes(hex.getText()), false);
    } catch (IllegalArgumentException none) {
      desk.refuse(none.getMessage());
    }
  }

  private void explain() {
    if (hex.getText().isBlank()) {
      sheet.say(
          "Compose a telegram, paste its bytes from its own header on, or choose one of a"
              + " capture. What is in a mailbox, in sync managers and in memory mappings is taken"
              + " apart too.",
          "ink-label");
      return;
    }
    try {
      byte[] bytes = ExplainedFrame.bytes(hex.getText());
      ExplainedTelegram told = ExplainedTelegram.of(bytes);
      sheet.show(
          "Telegram of " + Count.of(bytes.length, "byte"),
          told.fault().isEmpty() ? List.of() : List.of(told.fault()),
          told.parts().stream().map(TelegramFrames::row).toList());
    } catch (IllegalArgumentException none) {
      sheet.say(String.valueOf(none.getMessage()), "ink-attention");
    }
  }

  private static ByteSheet.Row row(TelegramPart part) {
    return new ByteSheet.Row(part.offset(), part.bytes(), part.name(), part.meaning(), false);
  }
}
