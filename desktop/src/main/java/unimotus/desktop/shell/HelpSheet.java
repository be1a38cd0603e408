package unimotus.desktop.shell;

import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import unimotus.desktop.kit.Mark;
import unimotus.desktop.kit.Parts;

/** Keys and signs, over the window; F1 or Escape puts it away. */
final class HelpSheet extends StackPane {
  private static final String[][] KEYS = {
    {"Alt+1 … Alt+7", "stations of the work, left to right"},
    {"Alt+0", "the whole line"},
    {"Alt+↓, Alt+↑", "next and previous axis"},
    {"Ctrl+Shift+N", "start an axis"},
    {"Enter, Escape", "in a field: take the number, leave it"},
    {"Ctrl+Z, Ctrl+Y", "undo, redo; without limit while the window is open"},
    {"Ctrl+N, Ctrl+O", "new line, open"},
    {"Ctrl+S, Ctrl+Shift+S", "save, save as"},
    {"Ctrl+D", "light and dark"},
    {"Enter, Space", "at Wire: begin or end a wire; switch an output"},
    {"R, B", "at Wire: hold the red or the black probe here"},
    {"W, M, Delete", "at Wire: next wire here; move its end here; remove it"},
    {"Ctrl+Shift+D", "device sheets of your own"},
    {"Ctrl+Delete", "at Prove: remove the reading"},
    {"+, −, Home", "in a plot: closer, wider, all of it"},
    {"←, →, with Shift", "in a plot: first cursor, second cursor"},
    {"Ctrl+↑, Ctrl+↓", "at Set up: move an entry of the rehearsal"},
    {"F8", "stop the drive that is joined"},
    {"F9", "calculators"},
    {"F1", "this sheet"}
  };

  private final Button button;

  HelpSheet(Runnable close) {
    button = Parts.action("close-help", "Close", close);
    HBox columns = new HBox(36, keys(), signs());
    VBox sheet = new VBox(16, Parts.label("Keys and signs", "ink-title"), columns, button);
    sheet.getStyleClass().add("help");
    sheet.setMaxSize(1010, 640);
    ScrollPane scroll = Parts.scrolling(sheet);
    scroll.setMaxSize(1030, 660);
    javafx.scene.layout.Region shade = new javafx.scene.layout.Region();
    shade.getStyleClass().add("shade");
    getChildren().addAll(shade, scroll);
    setPadding(new Insets(0));
    setVisible(false);
  }

  /** Gives the keyboard to the sheet. */
  void takeFocus() {
    // A scroll pane takes its content in only when it is styled; before that nothing in it has
    // focus.
    applyCss();
    layout();
    button.requestFocus();
  }

  private static Node keys() {
    GridPane grid = new GridPane();
    grid.setHgap(16);
    grid.setVgap(7);
    for (int i = 0; i < KEYS.length; i++) {
      grid.addRow(i, Parts.label(KEYS[i][0], "ink-strong"), Parts.label(KEYS[i][1]));
    }
    return grid;
  }

  private static Node signs() {
    VBox signs =
        Parts.column(
            7,
            sign(Mark.Kind.DONE, "done, agrees"),
            sign(Mark.Kind.PARTLY, "begun, to look at, or stale"),
            sign(Mark.Kind.OPEN, "open, not measured"),
            sign(Mark.Kind.ATTENTION, "to mend, differs"),
            sign(Mark.Kind.NOTE, "to know"),
            sign(Mark.Kind.LATER, "not in this version"),
            Parts.prose(
                "Solid line: what happens. Dashed: what is meant or predicted. Dots: measured.",
                "ink-label"),
            Parts.prose(
                "At Wire a thick wire carries current, a middling one stands at a voltage, a thin one is dead. Squares:"
                    + " filled reads on, hollow off, half either way.",
                "ink-label"),
            Parts.prose(
                "On the thread a wave is an analog signal on wires, one step an output or a contact, square a message; a straight"
                    + " stroke is arithmetic or steel.",
                "ink-label"),
            Parts.prose(
                "The detective takes each cause as the signal path with that fault in it and asks how likely the readings"
                    + " are then: by distance in tolerances, with one slip of the pen in fifty. A cause whose number"
                    + " had to be fitted pays for it. When 'not explained' leads, no known cause fits.",
                "ink-label"),
            Parts.prose(
                "Unimotus advises. It never calls a circuit safe: local codes, the risk assessment and licensed people"
                    + " decide. A simulation is not a proof.",
                "ink-label"));
    signs.setMaxWidth(420);
    HBox.setHgrow(signs, Priority.ALWAYS);
    return signs;
  }

  private static Node sign(Mark.Kind kind, String word) {
    return Parts.row(10, new Mark(kind, word), Parts.label(word));
  }
}
