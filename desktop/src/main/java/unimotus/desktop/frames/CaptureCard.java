package unimotus.desktop.frames;

import java.io.IOException;
import java.util.HexFormat;
import java.util.List;
import java.util.function.BiConsumer;
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

/** The frames of a capture, read from a file or put together, and written to one. */
final class CaptureCard<T> extends VBox {
  private static final HexFormat HEX = HexFormat.ofDelimiter(" ").withUpperCase();
  private static final double SECONDS_BETWEEN = 0.01;

  private final Desk desk;
  private final CaptureKind<T> kind;
  private final ObservableList<T> frames = FXCollections.observableArrayList();
  private final Label said = Parts.label("", "ink-caption");

  /**
   * A card.
   *
   * @param kind what its frames are
   * @param show receives the bytes of the frame that is chosen, and whether it is an answer
   */
  CaptureCard(Desk desk, CaptureKind<T> kind, BiConsumer<String, Boolean> show) {
    super(6);
    this.desk = desk;
    this.kind = kind;
    String prefix = kind.prefix();
    ListView<T> list = new ListView<>(frames);
    list.setId(prefix + "frames");
    list.setAccessibleText("%ss of the capture".formatted(kind.noun()));
    list.setCellFactory(v -> new Line());
    Label empty = Parts.prose(kind.hint(), "ink-label");
    empty.setPadding(new Insets(12));
    list.setPlaceholder(empty);
    list.getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (o, was, is) -> {
              if (is != null) {
                show.accept(HEX.formatHex(kind.bytes(is)), kind.isAnswer(is));
              }
            });
    VBox.setVgrow(list, Priority.ALWAYS);
    getChildren()
        .addAll(
            Parts.row(
                8,
                Parts.label("Capture", "ink-strong"),
                Parts.action(prefix + "read", "Read one", this::read),
                Parts.quiet(prefix + "live", "take Live's", () -> take(kind.live())),
                Parts.quiet(prefix + "write", "write it", this::write),
                Parts.quiet(prefix + "clear", "clear", this::clear),
                said),
            list);
  }

  private final class Line extends ListCell<T> {
    @Override
    protected void updateItem(T frame, boolean empty) {
      super.updateItem(frame, empty);
      setText(empty || frame == null ? "" : kind.words(frame));
    }
  }

  /** Adds a frame after the last one. */
  void add(byte[] bytes, boolean answer) {
    double at =
        frames.isEmpty() ? 0 : kind.seconds(frames.get(frames.size() - 1)) + SECONDS_BETWEEN;
    frames.add(kind.made(at, bytes, answer));
    said.setText(Count.of(frames.size(), kind.noun()));
  }

  private void take(List<T> recorded) {
    if (recorded.isEmpty()) {
      desk.refuse("no %s went by under Live yet".formatted(kind.noun()));
      return;
    }
    frames.setAll(recorded);
    said.setText(Count.of(frames.size(), kind.noun()));
  }

  private void read() {
    desk.dialogs()
        .importFile()
        .ifPresent(
            file -> {
              try {
                CaptureKind.Read<T> read = kind.read(file);
                frames.setAll(read.frames());
                said.setText(read.said());
              } catch (IOException e) {
                desk.refuse(e.getMessage());
              }
            });
  }

  private void write() {
    if (frames.isEmpty()) {
      desk.refuse("there is no %s to write yet".formatted(kind.noun()));
      return;
    }
    desk.dialogs()
        .export(kind.fileName(frames))
        .ifPresent(
            file -> {
              try {
                kind.write(file, frames);
                desk.say("%s written to %s".formatted(Count.of(frames.size(), kind.noun()), file));
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
