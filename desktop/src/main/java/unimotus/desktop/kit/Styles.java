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

  /** Marks a node as the chosen one among others, or as not. */
  public static void choose(Node node, boolean chosen) {
    node.getStyleClass().remove("chosen");
    if (chosen) {
      node.getStyleClass().add("chosen");
    }
  }
}
