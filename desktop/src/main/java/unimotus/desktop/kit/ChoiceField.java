package unimotus.desktop.kit;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.beans.InvalidationListener;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.skin.ComboBoxListViewSkin;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.util.StringConverter;
import org.jspecify.annotations.Nullable;

/** One of a few, chosen in place. Shows what it is told without reporting it as a choice. */
public final class ChoiceField<T> extends ComboBox<T> {
  private boolean told;
  private boolean confirmed;
  private @Nullable T taken;

  /** Shows the words again when the reader wants numbers written otherwise; held here alone. */
  private final InvalidationListener rewritten;

  /**
   * A field.
   *
   * @param name what is chosen, for screen readers
   * @param options what there is
   * @param words the words for one
   * @param take receives the user's choice
   */
  public ChoiceField(String name, List<T> options, Function<T, String> words, Consumer<T> take) {
    setAccessibleText(name);
    getItems().setAll(options);
    setConverter(converter(options, words));
    rewritten = changed -> setConverter(converter(options, words));
    Decimals.onChange(rewritten);
    valueProperty().addListener((o, was, is) -> report(take));
    // Walking through the open list with the arrow keys is not a choice yet; Enter or a click is.
    setOnShowing(e -> confirmed = false);
    setOnHidden(
        e -> {
          if (confirmed) {
            report(take);
          } else {
            show(taken);
          }
        });
    addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    skinProperty().addListener((o, was, is) -> watchList());
  }

  private static <T> StringConverter<T> converter(List<T> options, Function<T, String> words) {
    return new StringConverter<>() {
      @Override
      public String toString(@Nullable T item) {
        return item == null ? "" : Decimals.shown(words.apply(item));
      }

      @Override
      public @Nullable T fromString(String text) {
        return options.stream()
            .filter(o -> Decimals.shown(words.apply(o)).equals(text))
            .findFirst()
            .orElse(null);
      }
    };
  }

  private void watchList() {
    if (getSkin() instanceof ComboBoxListViewSkin<?> skin) {
      Node list = skin.getPopupContent();
      list.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
      list.addEventFilter(MouseEvent.MOUSE_RELEASED, e -> confirmed = true);
    }
  }

  private void key(KeyEvent event) {
    if (isShowing()) {
      confirmed = event.getCode() == KeyCode.ENTER;
    } else if (event.getCode() == KeyCode.UP || event.getCode() == KeyCode.DOWN) {
      // Passing through with an arrow must not choose: it opens the list instead.
      show();
      event.consume();
    }
  }

  private void report(Consumer<T> take) {
    T chosen = getValue();
    if (!told && !isShowing() && chosen != null && !chosen.equals(taken)) {
      taken = chosen;
      take.accept(chosen);
    }
  }

  /** Offers other options; what is shown stays where it is one of them. */
  public void offer(List<T> options) {
    T now = getValue();
    told = true;
    getItems().setAll(options);
    setValue(now);
    told = false;
  }

  /** Shows a choice; null for none. */
  public ChoiceField<T> show(@Nullable T item) {
    told = true;
    taken = item;
    setValue(item);
    told = false;
    return this;
  }
}
