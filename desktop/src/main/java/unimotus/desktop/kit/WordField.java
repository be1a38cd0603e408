package unimotus.desktop.kit;

import java.util.function.Consumer;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;

/**
 * Words edited in place: Enter takes them, Escape leaves them, leaving the field takes them too.
 */
public final class WordField extends TextField {
  private final Consumer<String> take;
  private String shown;

  /**
   * A field.
   *
   * @param id the node's id
   * @param name what the words are, for screen readers
   * @param words the words as they are
   * @param columns width in characters
   * @param take receives what was entered, without blanks around it
   */
  public WordField(String id, String name, String words, int columns, Consumer<String> take) {
    super(words);
    this.shown = words;
    this.take = take;
    setId(id);
    setAccessibleText(name);
    setPrefColumnCount(columns);
    setOnAction(e -> commit());
    setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.ESCAPE) {
            setText(shown);
            selectAll();
            e.consume();
          }
        });
    focusedProperty()
        .addListener(
            (o, was, is) -> {
              if (!is) {
                commit();
              }
            });
  }

  private void commit() {
    String entered = getText().strip();
    if (!entered.equals(shown)) {
      // Taking it may redraw the view, which takes the focus away and would commit a second time.
      shown = entered;
      take.accept(entered);
    }
  }
}
