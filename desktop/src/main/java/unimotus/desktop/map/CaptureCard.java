package unimotus.desktop.map;

import java.io.IOException;
import java.util.HexFormat;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.Supplier;
import javafx.collections.FXCollections;
import javafx.collections.ObservableList;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import unimotus.core.quantity.Count;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.devices.modbus.explain.ExplainedFrame;
import unimotus.workbench.capture.Captures;
import unimotus.workbench.capture.Frame;

/** The frames of a capture, read from a file or put together, and written to one. */
final class CaptureCard extends VBox {
  private static final HexFormat HEX = HexFormat.ofDelimiter(" ").withUpperCase();
  private static final double SECONDS_BETWEEN = 0.01;

  private final Desk desk;
  private final ObservableList<Frame> frames = FXCollections.observableArrayList();
  private final Label said = Parts.label("", "ink-caption");

  /**
   * A card.
   *
   * @param live gives the frames of the last link under Live
   * @param show receives the bytes of the frame that is chosen, and whether it is an answer
   */
  CaptureCard(Desk desk, Supplier<List<Frame>> live, BiConsumer<String, Boolean> show) {
    super(6);
    this.desk = desk;
    ListView<Frame> list = new ListView<>(frames);
    list.setId("capture-frames");
    list.setAccessibleText("frames of the capture");
    list.setCellFactory(v -> new Line());
    Label empty =
        Parts.prose(
            "Read a capture of a network analyser (pcap or pcapng, port 502), or add frames from above.",
            "ink-label");
    empty.setPadding(new Insets(12));
    list.setPlaceholder(empty);
    list.getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (o, was, is) -> {
              if (is != null) {
                show.accept(HEX.formatHex(is.array()), is.answer());
              }
            });
    VBox.setVgrow(list, Priority.ALWAYS);
    getChildren()
        .addAll(
            Parts.row(
                8,
                Parts.label("Capture", "ink-strong"),
                Parts.action("capture-read", "Read one", this::read),
                Parts.quiet("capture-live", "take Live's", () -> take(live.get())),
                Parts.quiet("capture-write", "write it", this::write),
                Parts.quiet("capture-clear", "clear", this::clear),
                said),
            list);
  }

  private static final class Line extends ListCell<Frame> {
    @Override
    protected void updateItem(Frame frame, boolean empty) {
      super.updateItem(frame, empty);
      setText(empty || frame == null ? "" : words(frame));
    }
  }

  private static String words(Frame frame) {
    ExplainedFrame explained = frame.explained();
    return "%.4f s  %s  unit %d  %s%s"
        .formatted(
            frame.seconds(),
            frame.answer() ? "← answer" : "→ request",
            explained.unit(),
            explained.function(),
            explained.fault().isEmpty() ? "" : "  – " + explained.fault());
  }

  /** Adds a frame after the last one. */
  void add(byte[] bytes, boolean answer) {
    double at = frames.isEmpty() ? 0 : frames.get(frames.size() - 1).seconds() + SECONDS_BETWEEN;
    frames.add(Frame.of(at, answer, bytes));
    said.setText(Count.of(frames.size(), "frame"));
  }

  private void take(List<Frame> recorded) {
    if (recorded.isEmpty()) {
      desk.refuse("nothing went by under Live yet");
      return;
    }
    frames.setAll(recorded);
    said.setText(Count.of(frames.size(), "frame"));
  }

  private void read() {
    desk.dialogs()
        .importFile()
        .ifPresent(
            file -> {
              try {
                Captures.Read read = Captures.read(file, Captures.MODBUS_PORT);
                frames.setAll(read.frames());
                said.setText(
                    "%d frames in %d packets%s"
                        .formatted(read.frames().size(), read.packets(), read.rest()));
              } catch (IOException e) {
                desk.refuse(e.getMessage());
              }
            });
  }

  private void write() {
    if (frames.isEmpty()) {
      desk.refuse("there is no frame to write yet");
      return;
    }
    boolean serial = frames.get(0).serial();
    desk.dialogs()
        .export(serial ? "serial.pcap" : "modbus.pcap")
        .ifPresent(
            file -> {
              try {
                Captures.write(file, frames);
                desk.say("%s written to %s".formatted(Count.of(frames.size(), "frame"), file));
              } catch (IOException e) {
                desk.refuse("the capture could not be written: " + e.getMessage());
              }
            });
  }

  private void clear() {
    frames.clear();
    said.setText("");
  }
}
