package unimotus.desktop.shell;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.RadioMenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyCombination;
import unimotus.core.quantity.Dimension;
import unimotus.core.quantity.MeasureUnit;
import unimotus.desktop.Desk;
import unimotus.desktop.find.Entry;
import unimotus.workbench.DisplayUnits;

/** Everything that concerns the file and the looks, behind the project's name. */
final class ProjectMenu extends MenuButton {
  private final Desk desk;
  private final FileActions files;
  private final Menu recent = new Menu("Open recent");
  private final MenuItem undo = item("undo", "Undo", "Shortcut+Z");
  private final MenuItem redo = item("redo", "Redo", "Shortcut+Y");

  /** What the menu asks the shell to do with files. */
  interface FileActions {
    void startNew();

    void newWindow();

    void open();

    void open(Path file);

    void save();

    void saveAs();

    void print();

    void find();

    void calculators();

    void help();

    void quit();
  }

  ProjectMenu(Desk desk, FileActions files) {
    this.desk = desk;
    this.files = files;
    setId("project-menu");
    getStyleClass().add("action");
    undo.setOnAction(e -> desk.session().undo());
    redo.setOnAction(e -> desk.session().redo());
    getItems()
        .setAll(
            does(item("new", "New line", "Shortcut+N"), files::startNew),
            does(item("new-window", "New window", "Shortcut+Shift+W"), files::newWindow),
            does(item("open", "Open…", "Shortcut+O"), files::open),
            recent,
            does(item("demo", "Open the demo line", null), desk::openDemo),
            new SeparatorMenuItem(),
            does(item("save", "Save", "Shortcut+S"), files::save),
            does(item("save-as", "Save as…", "Shortcut+Shift+S"), files::saveAs),
            does(item("print", "Print the view…", "Shortcut+P"), files::print),
            new SeparatorMenuItem(),
            undo,
            redo,
            does(item("add-axis", "New axis", "Shortcut+Shift+N"), desk::startAxis),
            does(
                item("sheets", "Device sheets", "Shortcut+Shift+D"),
                () -> desk.editingSheets().set(true)),
            does(item("bus", "Process-data bus", null), desk.navigation()::showBus),
            new SeparatorMenuItem(),
            units(),
            decimals(),
            dark(),
            new SeparatorMenuItem(),
            does(item("find", "Find anything", "Shortcut+K"), files::find),
            does(item("calculators", "Calculators", "F9"), files::calculators),
            does(item("help", "Guide", "F1"), files::help),
            new SeparatorMenuItem(),
            does(item("quit", "Close", "Shortcut+Q"), files::quit));
  }

  private static MenuItem item(
      String id, String text, @org.jspecify.annotations.Nullable String keys) {
    MenuItem item = new MenuItem(text);
    item.setId("menu-" + id);
    if (keys != null) {
      item.setAccelerator(KeyCombination.valueOf(keys));
    }
    return item;
  }

  private static MenuItem does(MenuItem item, Runnable action) {
    item.setOnAction(e -> action.run());
    return item;
  }

  private Menu units() {
    Menu menu = new Menu("Units");
    for (Dimension dimension : Dimension.values()) {
      List<MeasureUnit> choices = DisplayUnits.SWITCHABLE.get(dimension);
      if (choices != null) {
        menu.getItems().add(unitsOf(dimension, choices));
      }
    }
    return menu;
  }

  private Menu unitsOf(Dimension dimension, List<MeasureUnit> choices) {
    Menu menu =
        new Menu(
            Character.toUpperCase(dimension.label().charAt(0)) + dimension.label().substring(1));
    ToggleGroup group = new ToggleGroup();
    for (MeasureUnit unit : choices) {
      RadioMenuItem item = new RadioMenuItem(unit.symbol());
      item.setToggleGroup(group);
      item.setSelected(desk.units().shown(choices.get(0)) == unit);
      item.setOnAction(e -> units(desk.units().with(unit)));
      menu.getItems().add(item);
    }
    return menu;
  }

  private CheckMenuItem decimals() {
    CheckMenuItem comma = new CheckMenuItem("Decimal comma");
    comma.setId("menu-comma");
    comma.setSelected(desk.units().decimalMark() == ',');
    comma.setOnAction(e -> units(desk.units().withDecimalMark(comma.isSelected() ? ',' : '.')));
    return comma;
  }

  private void units(DisplayUnits next) {
    desk.remember(desk.preferences().get().withUnits(next));
  }

  private CheckMenuItem dark() {
    CheckMenuItem item = new CheckMenuItem("Dark");
    item.setId("menu-dark");
    item.setAccelerator(KeyCombination.valueOf("Shortcut+D"));
    item.setSelected(desk.preferences().get().dark());
    item.setOnAction(e -> desk.remember(desk.preferences().get().withDark(item.isSelected())));
    return item;
  }

  void refresh() {
    setText(desk.session().project().name());
    show(undo, "Undo", desk.session().undoName());
    show(redo, "Redo", desk.session().redoName());
    recent.getItems().clear();
    for (Path file : desk.preferences().get().recent()) {
      if (Files.exists(file)) {
        recent.getItems().add(does(new MenuItem(file.toString()), () -> files.open(file)));
      }
    }
    recent.setDisable(recent.getItems().isEmpty());
  }

  /** Every command that can be given now, with its keys. */
  List<Entry> commands() {
    List<Entry> commands = new ArrayList<>();
    commands(getItems(), commands);
    return commands;
  }

  private static void commands(List<MenuItem> items, List<Entry> into) {
    for (MenuItem item : items) {
      if (item instanceof Menu menu) {
        commands(menu.getItems(), into);
      } else if (item.getText() != null && !item.isDisable()) {
        String keys = item.getAccelerator() == null ? "" : item.getAccelerator().getDisplayText();
        into.add(new Entry("command", item.getText(), keys, () -> give(item)));
      }
    }
  }

  /** As a click would: what is ticked is so before its action is told. */
  private static void give(MenuItem item) {
    if (item instanceof CheckMenuItem check) {
      check.setSelected(!check.isSelected());
    } else if (item instanceof RadioMenuItem one) {
      one.setSelected(true);
    }
    item.fire();
  }

  private static void show(MenuItem item, String verb, Optional<String> name) {
    item.setDisable(name.isEmpty());
    item.setText(name.map(n -> verb + ": " + n).orElse(verb));
  }

  /** Opens a file and remembers it. */
  static void open(Desk desk, Path file) {
    desk.together(() -> opened(desk, file));
  }

  private static void opened(Desk desk, Path file) {
    try {
      desk.session().open(file);
      desk.show(null, null);
      desk.remember(desk.preferences().get().withRecent(file));
      desk.say(
          desk.session().isReadOnly()
              ? "this file is of a newer version and open for reading only"
              : "opened " + file.getFileName());
    } catch (IOException e) {
      desk.refuse(e.getMessage());
    }
  }
}
