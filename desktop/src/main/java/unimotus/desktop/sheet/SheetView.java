package unimotus.desktop.sheet;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.MotorSheet;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.WordField;
import unimotus.desktop.station.View;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.SheetDraft;

/**
 * Device sheets of one's own: chosen to start from, changed terminal by terminal, saved into the
 * user's folder and known to the program from then on.
 */
public final class SheetView implements View {
  private enum Tab {
    TERMINALS("Terminals"),
    SWITCHES("Switches"),
    SETTINGS("Settings");

    private final String label;

    Tab(String label) {
      this.label = label;
    }
  }

  private final Desk desk;
  private final VBox body = new VBox(10);
  private final VBox outer = new VBox(10);
  private final Label faults = Parts.prose("", "ink-attention");
  private final TerminalsPane terminals;
  private final SwitchesPane switches;
  private final SettingsPane settings;
  private @Nullable SheetDraft draft;
  private Tab tab = Tab.TERMINALS;

  /** The editor for a desk. */
  public SheetView(Desk desk) {
    this.desk = desk;
    terminals = new TerminalsPane(this::change, desk);
    switches = new SwitchesPane(this::change);
    settings = new SettingsPane(this::change);
    outer.setPadding(new Insets(14, 16, 12, 16));
    outer.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    VBox.setVgrow(body, Priority.ALWAYS);
  }

  @Override
  public Node node() {
    return outer;
  }

  @Override
  public void refresh() {
    outer.getChildren().setAll(start(), body);
    SheetDraft now = draft;
    if (now == null) {
      body.getChildren()
          .setAll(
              Parts.prose(
                  "Choose the class that is nearest to your device and begin: its terminals, electrical models, switches and"
                      + " settings are copied. Describe the device by class; no manufacturer's names here.",
                  "ink-label"));
      return;
    }
    faults.setText(String.join("\n", now.faults()));
    faults.setManaged(!now.faults().isEmpty());
    body.getChildren().setAll(identity(now), tabs(now), faults, shown(now));
  }

  private Node start() {
    List<DeviceSheet> classes =
        desk.session().sheets().all(DeviceSheet.class).stream()
            .filter(s -> !(s instanceof MotorSheet))
            .toList();
    ChoiceField<DeviceSheet> choice =
        new ChoiceField<>("class to start from", classes, DeviceSheet::name, s -> {});
    choice.setId("sheet-start");
    choice.show(classes.get(0));
    choice.setPrefWidth(280);
    return Parts.row(
        10,
        Parts.label("Device sheets", "ink-title"),
        Parts.spring(),
        Parts.label("start from", "ink-label"),
        choice,
        Parts.action("sheet-begin", "Begin a copy", () -> begin(choice.getValue(), true)),
        Parts.action("sheet-change", "Change it", () -> begin(choice.getValue(), false)),
        Parts.action("sheet-close", "Close", () -> desk.editingSheets().set(false)));
  }

  private void begin(@Nullable DeviceSheet start, boolean copy) {
    if (start == null) {
      return;
    }
    boolean shipped = SheetLibrary.shipped().stream().anyMatch(s -> s.id().equals(start.id()));
    if (!copy && shipped) {
      desk.refuse(
          "%s ships with the program and stays as it is; begin a copy".formatted(start.name()));
      return;
    }
    draft = copy ? SheetDraft.from(start, desk.session().sheets()) : SheetDraft.of(start);
    desk.say("%s started; nothing is saved yet".formatted(start.name()));
    refresh();
  }

  private Node identity(SheetDraft now) {
    WordField name =
        new WordField("sheet-name", "class", now.sheet().name(), 26, t -> change(d -> d.rename(t)));
    return Parts.row(
        10,
        Parts.label("Class", "ink-label"),
        name,
        Parts.label("id " + now.sheet().id(), "ink-caption"),
        Parts.spring(),
        Parts.quiet("sheet-undo", "undo", () -> change(SheetDraft::undo)),
        Parts.quiet("sheet-redo", "redo", () -> change(SheetDraft::redo)),
        Parts.primary("sheet-save", "Save", this::save));
  }

  private Node tabs(SheetDraft now) {
    HBox bar = Parts.row(6);
    for (Tab each : Tab.values()) {
      Button button =
          Parts.action(
              "sheet-" + each.name().toLowerCase(Locale.ROOT),
              each.label,
              () -> {
                tab = each;
                refresh();
              });
      button.getStyleClass().add("tab");
      if (each == tab) {
        button.getStyleClass().add("chosen");
      }
      button.setDisable(each == Tab.SETTINGS && !(now.sheet() instanceof DriveSheet));
      bar.getChildren().add(button);
    }
    return bar;
  }

  private Node shown(SheetDraft now) {
    Node node =
        switch (tab) {
          case TERMINALS -> terminals.show(now.sheet());
          case SWITCHES -> switches.show(now.sheet());
          case SETTINGS -> settings.show(now.sheet());
        };
    VBox.setVgrow(node, Priority.ALWAYS);
    return node;
  }

  /** Carries out a change of the draft, or says why it is refused. */
  private void change(Consumer<SheetDraft> change) {
    SheetDraft now = draft;
    if (now == null) {
      return;
    }
    try {
      change.accept(now);
      refresh();
    } catch (IllegalArgumentException e) {
      desk.refuse(e.getMessage());
    }
  }

  private void key(KeyEvent e) {
    if (draft != null && e.isShortcutDown() && e.getCode() == KeyCode.Z) {
      change(SheetDraft::undo);
      e.consume();
    } else if (draft != null && e.isShortcutDown() && e.getCode() == KeyCode.Y) {
      change(SheetDraft::redo);
      e.consume();
    }
  }

  private void save() {
    SheetDraft now = draft;
    if (now == null) {
      return;
    }
    if (!now.faults().isEmpty()) {
      desk.refuse("not saved: " + now.faults().get(0));
      return;
    }
    try {
      SheetLibrary.save(desk.sheetFolder(), now.sheet());
      SheetCatalogue known = SheetLibrary.withFolder(desk.sheetFolder(), new ArrayList<>());
      desk.session().use(known);
      desk.say(
          "%s saved as %s.json in your device sheets"
              .formatted(now.sheet().name(), now.sheet().id()));
    } catch (IOException e) {
      desk.refuse("not saved: " + e.getMessage());
    }
  }
}
