package unimotus.desktop.bus;

import javafx.scene.control.Label;
import javafx.scene.layout.Region;
import unimotus.desktop.kit.Parts;

/** Cells of a table in which only what wraps gives way. */
final class Cells {
  private Cells() {}

  /** A word or number that is never cut. */
  static Label whole(String text, String... styles) {
    Label label = Parts.label(text, styles);
    label.setMinWidth(Region.USE_PREF_SIZE);
    return label;
  }
}
