package unimotus.desktop.frames;

import javafx.geometry.VPos;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import unimotus.desktop.kit.Parts;

/** Fields of something that is put together, beside each other; any change composes it anew. */
final class ComposeFields extends FlowPane {
  private final Runnable changed;

  /**
   * No field yet.
   *
   * @param changed is told when one changes
   */
  ComposeFields(Runnable changed) {
    super(6, 6);
    setRowValignment(VPos.CENTER);
    this.changed = changed;
  }

  /** A field, not shown until it is {@linkplain #add added}. */
  TextField field(String id, String name, String text, int columns) {
    TextField field = new TextField(text);
    field.setId(id);
    field.setAccessibleText(name);
    field.setPrefColumnCount(columns);
    field.textProperty().addListener((o, was, is) -> changed.run());
    return field;
  }

  /** Shows a field behind its words. */
  void add(String words, TextField field) {
    getChildren().addAll(Parts.label(words, "ink-label"), field);
  }
}
