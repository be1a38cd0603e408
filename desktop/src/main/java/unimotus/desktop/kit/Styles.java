package unimotus.desktop.kit;

import java.util.List;
import javafx.scene.Node;

/** Style classes told to a node without waking the style sheet where nothing changes. */
public final class Styles {
  private Styles() {}

  /** Gives a node these style classes instead; does nothing where it has them already. */
  public static void set(Node node, List<String> classes) {
    if (!node.getStyleClass().equals(classes)) {
      node.getStyleClass().setAll(classes);
    }
  }
}
