package unimotus.desktop.kit;

import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;

/** One of a few ways to look at something, chosen by words in a row. */
public final class Tabs<E extends Enum<E>> extends FlowPane {
  private final Map<E, Button> buttons;

  /**
   * A row of words.
   *
   * @param prefix what the ids of the buttons begin with
   * @param kind the ways
   * @param words the words for one
   * @param choose receives what was pressed
   */
  public Tabs(String prefix, Class<E> kind, Function<E, String> words, Consumer<E> choose) {
    super(2, 2);
    buttons = new EnumMap<>(kind);
    for (E each : kind.getEnumConstants()) {
      String id = prefix + each.name().toLowerCase(Locale.ROOT);
      Button button = Parts.action(id, words.apply(each), () -> choose.accept(each));
      button.getStyleClass().add("tab");
      buttons.put(each, button);
      getChildren().add(button);
    }
  }

  /** Leaves out the ways that are not among some. */
  public void offer(Set<E> ways) {
    buttons.forEach(
        (each, button) -> {
          button.setVisible(ways.contains(each));
          button.setManaged(ways.contains(each));
        });
  }

  /** Marks the way that is shown. */
  public void show(E chosen) {
    buttons.forEach(
        (each, button) -> {
          button.getStyleClass().remove("chosen");
          if (each == chosen) {
            button.getStyleClass().add("chosen");
          }
        });
  }
}
