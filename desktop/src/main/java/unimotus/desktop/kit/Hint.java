package unimotus.desktop.kit;

import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.Tooltip;

/**
 * A word that shows when the pointer rests on a node. The tooltip, a window of its own, is made
 * only when the pointer comes: a page with a hundred marks would otherwise make a hundred windows.
 */
public final class Hint {
  private static final String KEY = "unimotus.hint";

  private Hint() {}

  /** Gives a node a hint; the text is asked for when the pointer comes. */
  public static void on(Node node, Supplier<String> text) {
    node.setOnMouseEntered(
        e -> {
          if (node.getProperties().get(KEY) instanceof Tooltip made) {
            made.setText(Decimals.shown(text.get()));
          } else {
            Tooltip tooltip = new Tooltip(Decimals.shown(text.get()));
            node.getProperties().put(KEY, tooltip);
            Tooltip.install(node, tooltip);
          }
        });
  }
}
