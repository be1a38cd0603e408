package unimotus.desktop.sheet;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.QuantityField;
import unimotus.desktop.kit.WordField;

/** The terminals of a sheet on the left, the chosen one with its electrical model on the right. */
final class TerminalsPane {
  private static final String NOWHERE = "nowhere";

  private final SheetChange change;
  private final Desk desk;
  private @Nullable String chosen;

  TerminalsPane(SheetChange change, Desk desk) {
    this.change = change;
    this.desk = desk;
  }

  Node show(DeviceSheet sheet) {
    Terminal terminal =
        sheet
            .terminal(String.valueOf(chosen))
            .orElseGet(() -> sheet.terminals().isEmpty() ? null : sheet.terminals().get(0));
    ListView<Terminal> list = new ListView<>();
    list.setId("sheet-terminal-list");
    list.getItems().setAll(sheet.terminals());
    list.setCellFactory(v -> new Cell());
    list.getSelectionModel().select(terminal);
    list.scrollTo(Math.max(0, sheet.terminals().indexOf(terminal) - 4));
    VBox card = new VBox(8);
    card.getStyleClass().add("sheet");
    card.setMinWidth(430);
    fill(card, sheet, terminal);
    list.getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (o, was, is) -> {
              if (is != null) {
                chosen = is.id();
                fill(card, sheet, is);
              }
            });
    list.setOnKeyPressed(
        e -> {
          Terminal at = list.getSelectionModel().getSelectedItem();
          if (e.getCode() == KeyCode.DELETE && at != null) {
            change.apply(d -> d.remove(at));
          }
        });
    HBox.setHgrow(list, Priority.ALWAYS);
    return new HBox(12, list, card);
  }

  private void fill(VBox card, DeviceSheet sheet, @Nullable Terminal terminal) {
    card.getChildren().clear();
    if (terminal == null) {
      card.getChildren().add(Parts.prose("This class has no terminal yet.", "ink-label"));
      return;
    }
    GridPane grid = new GridPane();
    grid.setHgap(10);
    grid.setVgap(6);
    row(
        grid,
        "Marking",
        new WordField(
            "terminal-id",
            "marking",
            terminal.id(),
            20,
            t -> put(terminal, terminal.withWords(t, terminal.label()))));
    row(
        grid,
        "For what",
        new WordField(
            "terminal-label",
            "what it is for",
            terminal.label(),
            20,
            t -> put(terminal, terminal.withWords(terminal.id(), t))));
    ChoiceField<TerminalRole> role =
        new ChoiceField<>(
            "what it does",
            List.of(TerminalRole.values()),
            TerminalRole::label,
            r -> put(terminal, terminal.withRole(r)));
    role.setId("terminal-role");
    role.show(terminal.role());
    row(grid, "What it does", role);
    row(grid, "Closes to", common(sheet, terminal));
    for (Figure figure : terminal.role().typical().keySet()) {
      row(grid, figure.label(), figure(terminal, figure));
    }
    card.getChildren().add(grid);
    if (sheet instanceof PartSheet part && terminal.role() == TerminalRole.RELAY_CONTACT) {
      card.getChildren().add(closedIn(part, terminal));
    }
    card.getChildren()
        .addAll(
            Parts.prose(
                terminal.role().typical().isEmpty()
                    ? "A plain conductor: nothing to enter."
                    : "The solver computes with these figures; they are in the device's manual.",
                "ink-caption"),
            Parts.row(
                8,
                Parts.action(
                    "terminal-add",
                    "Add one after it",
                    () -> change.apply(d -> chosen = d.addAfter(terminal).id())),
                Parts.quiet(
                    "terminal-remove", "remove", () -> change.apply(d -> d.remove(terminal)))));
  }

  private void put(Terminal before, Terminal after) {
    change.apply(
        d -> {
          d.put(before, after);
          chosen = after.id();
        });
  }

  private Node common(DeviceSheet sheet, Terminal terminal) {
    List<String> others = new ArrayList<>(List.of(NOWHERE));
    sheet.terminals().stream()
        .map(Terminal::id)
        .filter(t -> !t.equals(terminal.id()))
        .forEach(others::add);
    ChoiceField<String> field =
        new ChoiceField<>(
            "closes to",
            others,
            o -> o,
            o ->
                put(
                    terminal,
                    o.equals(NOWHERE) ? terminal.withoutCommon() : terminal.withCommon(o)));
    field.setId("terminal-common");
    String now = terminal.common();
    field.show(now == null ? NOWHERE : now);
    return field;
  }

  private Node figure(Terminal terminal, Figure figure) {
    QuantityField field =
        new QuantityField(
            figure.label(),
            figure.unit(),
            desk::units,
            v -> setFigure(terminal, figure, v),
            desk::refuse);
    field.setId("figure-" + figure.key());
    field.show(terminal.figure(figure));
    return field;
  }

  private void setFigure(Terminal terminal, Figure figure, double value) {
    if (value > 0) {
      put(terminal, terminal.withFigure(figure, value));
    } else {
      desk.refuse(
          "%s of %s must be over 0 %s, not %s"
              .formatted(figure.label(), terminal.id(), figure.unit().symbol(), value));
    }
  }

  private Node closedIn(PartSheet part, Terminal terminal) {
    HBox boxes = Parts.row(10, Parts.label("Closed when", "ink-label"));
    for (String position : part.positions()) {
      CheckBox box = new CheckBox(position);
      box.setSelected(terminal.closedIn().contains(position));
      box.setOnAction(
          e -> {
            List<String> next = new ArrayList<>(terminal.closedIn());
            if (!next.remove(position)) {
              next.add(position);
            }
            put(terminal, terminal.withClosedIn(next));
          });
      boxes.getChildren().add(box);
    }
    return boxes;
  }

  private static void row(GridPane grid, String words, Node field) {
    grid.addRow(grid.getRowCount(), Parts.label(words, "ink-label"), field);
  }

  /** One terminal on one line: marking, use, role. */
  private static final class Cell extends ListCell<Terminal> {
    private static final double[] WIDTHS = {76, 250, 220};

    private final HBox line = Parts.row(8);

    Cell() {
      for (int i = 0; i < WIDTHS.length; i++) {
        Label label = Parts.label("", i == 0 ? "ink-strong" : i == 2 ? "ink-label" : "ink-plain");
        label.setMinWidth(WIDTHS[i]);
        label.setMaxWidth(WIDTHS[i]);
        line.getChildren().add(label);
      }
    }

    @Override
    protected void updateItem(Terminal terminal, boolean empty) {
      super.updateItem(terminal, empty);
      setText(null);
      setGraphic(empty || terminal == null ? null : line);
      if (!empty && terminal != null) {
        List<String> words = List.of(terminal.id(), terminal.label(), terminal.role().label());
        for (int i = 0; i < words.size(); i++) {
          ((Label) line.getChildren().get(i)).setText(words.get(i));
        }
      }
    }
  }
}
