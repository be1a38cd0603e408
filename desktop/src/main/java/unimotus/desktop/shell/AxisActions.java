package unimotus.desktop.shell;

import java.util.List;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Project;
import unimotus.desktop.Desk;
import unimotus.workbench.AxisEdits;
import unimotus.workbench.Edits;

/** What can be done to a whole axis, or to the line: each by key, by menu, and taken back. */
final class AxisActions {
  private final Desk desk;
  private final AskBar ask;

  AxisActions(Desk desk, AskBar ask) {
    this.desk = desk;
    this.ask = ask;
  }

  /** Asks for another name of the axis looked at; of the line where none is. */
  void renameShown() {
    Axis shown = shown();
    if (shown == null) {
      ask.askFor(
          "Name of the line",
          desk.session().project().name(),
          name -> desk.apply(Edits.renameLine(name)));
    } else {
      rename(shown);
    }
  }

  /** Puts the axis looked at further up or down. */
  void moveShown(int places) {
    Axis shown = shown();
    if (shown != null) {
      desk.apply(AxisEdits.move(shown, places));
    }
  }

  private @org.jspecify.annotations.Nullable Axis shown() {
    return desk.step().get() == null
        ? null
        : desk.session().project().axis(String.valueOf(desk.axisId().get())).orElse(null);
  }

  private void rename(Axis axis) {
    ask.askFor(
        "Name of the axis", axis.name(), name -> desk.apply(Edits.renameAxis(axis.id(), name)));
  }

  /** Names what goes along and asks. */
  void remove(Axis axis) {
    List<String> along =
        AxisEdits.goingAlong(desk.session().project(), desk.session().sheets(), axis);
    ask.ask(
        along.isEmpty()
            ? "Remove %s? Nothing else goes with it.".formatted(axis.name())
            : "Remove %s? With it go: %s.".formatted(axis.name(), String.join(", ", along)),
        new AskBar.Answer("keep", "Keep it", () -> {}),
        new AskBar.Answer("remove", "Remove", () -> removed(axis)));
  }

  private void removed(Axis axis) {
    boolean looked = axis.id().equals(desk.axisId().get());
    if (!desk.apply(AxisEdits.remove(desk.session().sheets(), axis))) {
      return;
    }
    if (looked) {
      String next = desk.session().project().axes().stream().findFirst().map(Axis::id).orElse(null);
      desk.show(next, null);
    }
    desk.say("removed %s; Ctrl+Z brings it back".formatted(axis.name()));
  }

  /** Says of a copy that is not wired why it is not. */
  private void duplicate(Axis axis) {
    if (!desk.apply(AxisEdits.duplicate(desk.session().sheets(), axis))) {
      return;
    }
    Project project = desk.session().project();
    List<String> ids = project.axes().stream().map(Axis::id).toList();
    Axis copy = project.axes().get(ids.indexOf(axis.id()) + 1);
    boolean wired = copy.reference().output() != null;
    desk.say(
        wired
            ? "copied to %s, run and reference wired to free points".formatted(copy.name())
            : AxisEdits.unwiredBecause(project, desk.session().sheets(), axis, copy)
                .map(why -> "copied to %s, not wired: %s".formatted(copy.name(), why))
                .orElse("copied to %s".formatted(copy.name())));
  }

  /** The commands of one axis of the rail. */
  ContextMenu menu(Axis axis) {
    ContextMenu menu = new ContextMenu();
    menu.getItems()
        .setAll(
            item("rename-axis", "Rename…  F2", () -> rename(axis)),
            item("duplicate-axis", "Duplicate", () -> duplicate(axis)),
            item("axis-up", "Move up  Alt+Shift+↑", () -> desk.apply(AxisEdits.move(axis, -1))),
            item("axis-down", "Move down  Alt+Shift+↓", () -> desk.apply(AxisEdits.move(axis, 1))),
            item("remove-axis", "Remove…  Delete", () -> remove(axis)));
    return menu;
  }

  private static MenuItem item(String id, String words, Runnable does) {
    MenuItem item = new MenuItem(words);
    item.setMnemonicParsing(false);
    item.setId(id);
    item.setOnAction(e -> does.run());
    return item;
  }
}
