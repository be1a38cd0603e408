package unimotus.desktop.shell;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Project;
import unimotus.desktop.Desk;
import unimotus.formats.json.FileFault;
import unimotus.formats.project.ProjectFile;
import unimotus.workbench.AxisCopies;
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
          "Rename",
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
        "Name of the axis",
        axis.name(),
        "Rename",
        name -> desk.apply(Edits.renameAxis(axis.id(), name)));
  }

  private void group(Axis axis) {
    ask.askFor(
        "Group of %s, such as washing; nothing for none".formatted(axis.name()),
        Objects.requireNonNullElse(axis.group(), ""),
        "Put there",
        group -> desk.apply(Edits.groupAxis(axis.id(), group)));
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
    if (!desk.apply(AxisCopies.duplicate(desk.session().sheets(), axis))) {
      return;
    }
    Project project = desk.session().project();
    List<String> ids = project.axes().stream().map(Axis::id).toList();
    Axis copy = project.axes().get(ids.indexOf(axis.id()) + 1);
    boolean wired = copy.reference().output() != null;
    desk.say(
        wired
            ? "copied to %s, run and reference wired to free points".formatted(copy.name())
            : AxisCopies.unwiredBecause(project, desk.session().sheets(), axis, copy)
                .map(why -> "copied to %s, not wired: %s".formatted(copy.name(), why))
                .orElse("copied to %s".formatted(copy.name())));
  }

  /** Puts an axis on the clipboard, as the text of a project file with nothing else in it. */
  void copy(Axis axis) {
    ClipboardContent content = new ClipboardContent();
    byte[] file = ProjectFile.write(AxisCopies.alone(desk.session().project(), axis));
    content.putString(new String(file, StandardCharsets.UTF_8));
    Clipboard.getSystemClipboard().setContent(content);
    desk.say("%s is on the clipboard: Ctrl+V in this or another line".formatted(axis.name()));
  }

  /** Adds the axis on the clipboard to the line. */
  void paste() {
    String text = Clipboard.getSystemClipboard().getString();
    if (text == null || text.isBlank()) {
      desk.refuse("there is no axis on the clipboard: copy one with Ctrl+C first");
      return;
    }
    try {
      Project other =
          ProjectFile.read("clipboard", text.getBytes(StandardCharsets.UTF_8)).project();
      if (desk.apply(AxisCopies.paste(desk.session().sheets(), other))) {
        pasted(other);
      }
    } catch (FileFault | IllegalArgumentException e) {
      desk.refuse("what is on the clipboard is no axis: " + e.getMessage());
    }
  }

  private void pasted(Project other) {
    Project project = desk.session().project();
    Axis copy = project.axes().get(project.axes().size() - 1);
    desk.say(
        copy.reference().output() != null
            ? "pasted %s, run and reference wired to free points".formatted(copy.name())
            : AxisCopies.unwiredBecause(project, desk.session().sheets(), other, copy)
                .map(why -> "pasted %s, not wired: %s".formatted(copy.name(), why))
                .orElse("pasted " + copy.name()));
  }

  /** The commands of one axis of the rail. */
  ContextMenu menu(Axis axis) {
    ContextMenu menu = new ContextMenu();
    menu.getItems()
        .setAll(
            item("rename-axis", "Rename…  F2", () -> rename(axis)),
            item("group-axis", "Group…", () -> group(axis)),
            item("duplicate-axis", "Duplicate", () -> duplicate(axis)),
            item("copy-axis", "Copy  Ctrl+C", () -> copy(axis)),
            item("paste-axis", "Paste  Ctrl+V", this::paste),
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
