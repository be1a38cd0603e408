package unimotus.desktop.shell;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.input.DragEvent;
import javafx.scene.input.TransferMode;

/** A file that is dropped on the window. */
final class FileDrop {
  private FileDrop() {}

  /** Takes one file at a time; what it is shows when it is opened. */
  static void on(Node node, Consumer<Path> open) {
    node.setOnDragOver(FileDrop::dragged);
    node.setOnDragDropped(e -> dropped(e, open));
  }

  private static void dragged(DragEvent e) {
    if (e.getDragboard().getFiles().size() == 1) {
      e.acceptTransferModes(TransferMode.COPY);
    }
    e.consume();
  }

  private static void dropped(DragEvent e, Consumer<Path> open) {
    List<File> files = e.getDragboard().getFiles();
    e.setDropCompleted(files.size() == 1);
    e.consume();
    if (files.size() == 1) {
      open.accept(files.get(0).toPath());
    }
  }
}
