package unimotus.desktop.kit;

import javafx.scene.layout.Region;

/** A small shape that tells a state; the shape says it, the colour only repeats it. */
public final class Mark extends Region {
  /** The shapes there are. */
  public enum Kind {
    /** Filled disc. */
    DONE("done"),
    /** Ring. */
    OPEN("open"),
    /** Half-filled ring. */
    PARTLY("partly"),
    /** Diamond. */
    ATTENTION("attention"),
    /** Dash. */
    LATER("later"),
    /** Small frame. */
    NOTE("note");

    private final String style;

    Kind(String style) {
      this.style = style;
    }
  }

  /** A mark with the word for its state. */
  public Mark(Kind kind, String word) {
    Hint.on(this, this::getAccessibleText);
    show(kind, word);
  }

  /** Shows another state. */
  public void show(Kind kind, String word) {
    getStyleClass().setAll("mark", kind.style);
    setAccessibleText(word);
  }
}
