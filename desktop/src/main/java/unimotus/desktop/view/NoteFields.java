package unimotus.desktop.view;

import java.nio.file.Path;
import java.util.Objects;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Supplier;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Reading;
import unimotus.desktop.kit.Parts;

/** What is written beside a reading: a note in words, and where a picture of it is. */
final class NoteFields extends FlowPane {
  private final TextField note = field("note", "note", 26);
  private final TextField photo = field("photo", "path of a photo", 22);

  /**
   * @param key of the prediction, for the ids of the fields
   * @param choose asks for a file
   * @param keep takes note and path
   */
  NoteFields(String key, Supplier<Optional<Path>> choose, BiConsumer<String, String> keep) {
    super(8, 4);
    String id = key.replace('.', '-');
    note.setId("note-" + id);
    photo.setId("photo-" + id);
    note.setOnAction(e -> keep.accept(note.getText(), photo.getText()));
    photo.setOnAction(e -> keep.accept(note.getText(), photo.getText()));
    getChildren()
        .addAll(
            note,
            photo,
            Parts.quiet(
                "choose-photo-" + id,
                "choose…",
                () ->
                    choose
                        .get()
                        .ifPresent(
                            file -> {
                              photo.setText(file.toString());
                              keep.accept(note.getText(), photo.getText());
                            })),
            Parts.quiet(
                "keep-note-" + id, "keep", () -> keep.accept(note.getText(), photo.getText())));
  }

  private static TextField field(String words, String prompt, int columns) {
    TextField field = new TextField();
    field.setAccessibleText(words);
    field.setPromptText(prompt);
    field.setPrefColumnCount(columns);
    return field;
  }

  /** Shows what stands beside the reading; what is being typed stays. */
  void show(@Nullable Reading reading) {
    show(note, reading == null ? null : reading.note());
    show(photo, reading == null ? null : reading.photo());
  }

  private static void show(TextField field, @Nullable String words) {
    if (!field.isFocused()) {
      field.setText(Objects.requireNonNullElse(words, ""));
    }
  }

  void begin() {
    note.requestFocus();
  }
}
