package unimotus.desktop.guide;

import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import unimotus.desktop.kit.Mark;
import unimotus.desktop.kit.Parts;

/** Keys and signs. */
final class KeysPage extends VBox {
  private static final String[][] KEYS = {
    {"Alt+1 … Alt+7", "stations of the work, left to right"},
    {"Alt+0", "the whole line"},
    {"Alt+↓, Alt+↑", "next and previous axis"},
    {"Ctrl+Shift+N", "start an axis"},
    {"F2", "rename the axis; on the whole line, the line"},
    {"Alt+Shift+↓, ↑", "move the axis down or up the line"},
    {"Delete", "on an axis of the list: remove it; right click for more"},
    {"Enter, Escape", "in a field: accept the number, cancel"},
    {"Ctrl+Z, Ctrl+Y", "undo, redo; without limit while the window is open"},
    {"Ctrl+N, Ctrl+O", "new line, open"},
    {"Ctrl+S, Ctrl+Shift+S", "save, save as"},
    {"Ctrl+P", "print the view"},
    {"Ctrl+D", "light and dark"},
    {"Ctrl++, Ctrl+−, Ctrl+0", "everything larger, smaller, as at first"},
    {"Enter, Space", "at Wire: begin or end a wire; switch an output"},
    {"R, B", "at Wire: put the red or the black probe here"},
    {"W, E", "at Wire: next wire here; to its other end"},
    {"M, Delete", "at Wire: move its end here; remove it"},
    {"arrow keys", "at Wire, on a device's grip: move the device"},
    {"Ctrl+Shift+D", "device sheets of your own"},
    {"Ctrl+Delete", "at Prove: remove the reading"},
    {"+, −, Home", "in a plot: closer, wider, all of it"},
    {"←, →, with Shift", "in a plot: first cursor, second cursor"},
    {"Ctrl+↑, Ctrl+↓", "at Set up: move an entry of the trial entry"},
    {"F8", "stop the connected drive"},
    {"Ctrl+K", "find anything by a few words"},
    {"F9", "calculators"},
    {"Ctrl+Q, Ctrl+W", "close the window"},
    {"F1", "the guide, at the chapter of the view"}
  };

  private static final double HALF = 400;

  KeysPage() {
    super(14);
    int half = (KEYS.length + 1) / 2;
    HBox keys = new HBox(28, keys(0, half), keys(half, KEYS.length));
    getChildren().addAll(Parts.label("Keys and signs", "ink-title"), keys, signs(), words());
  }

  private static Node keys(int from, int to) {
    GridPane grid = new GridPane();
    grid.setHgap(14);
    grid.setVgap(4);
    for (int i = from; i < to; i++) {
      Label key = Parts.label(KEYS[i][0], "ink-strong");
      key.setMinWidth(Region.USE_PREF_SIZE);
      Label what = Parts.prose(KEYS[i][1]);
      GridPane.setHgrow(what, Priority.ALWAYS);
      grid.addRow(i - from, key, what);
    }
    grid.setPrefWidth(HALF);
    grid.setMinWidth(0);
    HBox.setHgrow(grid, Priority.ALWAYS);
    return grid;
  }

  private static Node signs() {
    return Parts.flow(
        16,
        sign(Mark.Kind.DONE, "done, agrees"),
        sign(Mark.Kind.PARTLY, "in progress, warning, or stale"),
        sign(Mark.Kind.OPEN, "open, not measured"),
        sign(Mark.Kind.ATTENTION, "error, differs"),
        sign(Mark.Kind.NOTE, "note"),
        sign(Mark.Kind.LATER, "not in this version"));
  }

  private static Node words() {
    return Parts.column(
        5,
        Parts.prose(
            "Solid line: what happens. Dashed: what is meant or predicted. Dots: measured. At Wire a thick wire carries"
                + " current, a medium one carries a voltage, a thin one is dead. Squares: filled reads on, hollow off,"
                + " half either way. On the thread a wave is an analog signal on wires, one step an output or a contact,"
                + " square a message; a straight stroke is arithmetic or steel.",
            "ink-label"),
        Parts.prose(
            "The diagnosis takes each cause as the signal path with that fault in it and asks how likely the readings"
                + " are then: by distance in tolerances, with one slip of the pen in fifty. A cause whose number"
                + " had to be fitted pays for it. When 'not explained' leads, no known cause fits.",
            "ink-label"),
        Parts.prose(
            "Unimotus advises. It never calls a circuit safe: local codes, the risk assessment and licensed people"
                + " decide. A simulation is not a proof.",
            "ink-label"));
  }

  private static Node sign(Mark.Kind kind, String word) {
    return Parts.row(10, new Mark(kind, word), Parts.label(word));
  }
}
