package unimotus.desktop.station;

import javafx.scene.Node;

/** What fills the middle of the window at one station. */
public interface View {

  /** The view's node, always the same one. */
  Node node();

  /** Shows the project, the axis and the units as they are now. */
  void refresh();
}
