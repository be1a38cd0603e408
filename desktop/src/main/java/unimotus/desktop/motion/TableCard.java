package unimotus.desktop.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import unimotus.core.motion.ServoAxis;
import unimotus.core.move.MoveStep;
import unimotus.core.positioning.TablePosition;
import unimotus.core.quantity.MeasureUnit;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.workbench.Edit;
import unimotus.workbench.MotionEdits;

/** The table in the drive: made of the moves, or entered by itself. */
final class TableCard extends VBox {
  private final Desk desk;
  private final ServoAxis axis;
  private final String id;

  TableCard(Desk desk, ServoAxis axis) {
    super(6);
    this.desk = desk;
    this.axis = axis;
    this.id = axis.axis().id();
    getStyleClass().add("sheet");
    setId("position-table");
    getChildren().add(Parts.label("Table in the drive", "ink-strong"));
    if (axis.design().positioning().positions().isEmpty()) {
      made();
    } else {
      entered();
    }
  }

  private void made() {
    List<TablePosition> entries = axis.table().entries();
    getChildren()
        .add(
            Parts.prose(
                entries.isEmpty()
                    ? "No absolute or incremental move is entered."
                    : "Made of the moves, at the velocity of the axis.",
                "ink-caption"));
    GridPane grid = grid();
    for (int i = 0; i < entries.size(); i++) {
      TablePosition each = entries.get(i);
      grid.addRow(
          i,
          Parts.label(Integer.toString(i + 1), "ink-strong"),
          Parts.label(each.move().label(), "ink-label"),
          Parts.label(desk.units().text(each.value(), axis.unit()), "ink-predicted"));
    }
    getChildren().add(grid);
    if (!entries.isEmpty()) {
      getChildren()
          .add(
              Parts.quiet(
                  "own-table",
                  "enter a table of its own",
                  () -> apply("table of its own", now -> new ArrayList<>(entries))));
    } else {
      getChildren().add(adders());
    }
  }

  private void entered() {
    List<TablePosition> entries = axis.table().entries();
    GridPane grid = grid();
    int row = 0;
    for (int i = 0; i < entries.size(); i++) {
      int at = i;
      TablePosition each = entries.get(i);
      grid.add(Parts.label(Integer.toString(i + 1), "ink-strong"), 0, row);
      Label kind = Parts.label(each.move().label());
      kind.setMinWidth(Region.USE_PREF_SIZE);
      grid.add(kind, 1, row);
      grid.add(
          Parts.quiet(
              "position-remove-" + i,
              "remove",
              () ->
                  apply(
                      "remove position %d".formatted(at + 1),
                      now -> {
                        now.remove(at);
                        return now;
                      })),
          2,
          row++);
      grid.add(
          Parts.flow(
              6,
              figure(
                  at,
                  each.move() instanceof MoveStep.Absolute ? "to" : "by",
                  each.value(),
                  axis.unit(),
                  each::withValue),
              figure(
                  at,
                  "at",
                  each.velocity(),
                  new MotionUnits(axis.unit()).velocity(),
                  v -> new TablePosition(each.move(), v))),
          1,
          row++,
          2,
          1);
    }
    getChildren().addAll(Parts.prose("At 0: at the velocity of the axis.", "ink-caption"), grid);
    getChildren().addAll(adders(), back());
  }

  private Node figure(
      int at,
      String word,
      double value,
      MeasureUnit unit,
      java.util.function.DoubleFunction<TablePosition> with) {
    return Parts.row(
        4,
        Parts.label(word, "ink-label"),
        EditField.of(
            desk,
            "position-%d-%s".formatted(at + 1, word),
            value,
            unit,
            v -> {
              TablePosition next = with.apply(v);
              return edit(
                  "change position %d".formatted(at + 1),
                  now -> {
                    now.set(at, next);
                    return now;
                  });
            }));
  }

  private Node adders() {
    return Parts.flow(
        4,
        Parts.label("add", "ink-label"),
        adder("absolute", new MoveStep.Absolute(axis.design().moves().start())),
        adder("incremental", new MoveStep.Incremental(0)));
  }

  private Node adder(String word, MoveStep move) {
    return Parts.quiet(
        "add-position-" + word,
        word,
        () ->
            apply(
                "add position",
                now -> {
                  now.add(new TablePosition(move, 0));
                  return now;
                }));
  }

  private Node back() {
    return Parts.quiet(
        "table-of-moves", "make it of the moves", () -> apply("table of moves", now -> List.of()));
  }

  private Edit edit(String what, UnaryOperator<List<TablePosition>> change) {
    return MotionEdits.positions(id, what, change);
  }

  private void apply(String what, UnaryOperator<List<TablePosition>> change) {
    desk.apply(edit(what, change));
  }

  private static GridPane grid() {
    GridPane grid = new GridPane();
    grid.setHgap(10);
    grid.setVgap(4);
    return grid;
  }
}
