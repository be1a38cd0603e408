package unimotus.desktop.wire;

import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.TerminalRef;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.InputReading;
import unimotus.core.wiring.Level;
import unimotus.core.wiring.Meanings;
import unimotus.core.wiring.TruthTable;
import unimotus.desktop.kit.Hint;
import unimotus.desktop.kit.Mark;
import unimotus.desktop.kit.Parts;
import unimotus.workbench.board.WireBench;

/**
 * What every input really sees in every commanded state, a state a row, an input a column. What is
 * not as meant is lit.
 */
final class TruthPane extends VBox {
  private static final double STATE_WIDTH = 250;
  private static final double CELL_WIDTH = 112;

  private final WireBench bench;
  private final Consumer<CommandState> take;

  TruthPane(WireBench bench, Consumer<CommandState> take) {
    super(2);
    this.bench = bench;
    this.take = take;
    setId("truth");
  }

  /** Shows the table of an axis, with the faults that are put in now. */
  void show(AxisAssembly axis, Readout readout) {
    getChildren().clear();
    TruthTable table = TruthTable.of(axis, bench.faults());
    if (table.inputs().isEmpty()) {
      getChildren()
          .add(
              Parts.prose(
                  "No binary input of this axis is wired yet. Wire a link by what it is for, at the board.",
                  "ink-label"));
      return;
    }
    getChildren().add(heading(table, axis));
    for (int i = 0; i < table.rows().size(); i++) {
      getChildren().add(row(table.rows().get(i), i, readout));
    }
    getChildren()
        .add(
            Parts.prose(
                "Level, volts and milliamps at the input itself. A filled square reads on, a hollow one off, a"
                    + " half one either way. Lit with a diamond: not as meant. Enter brings a state to the board.",
                "ink-caption"));
  }

  private static Node heading(TruthTable table, AxisAssembly axis) {
    HBox heading = new HBox(4);
    Region corner = new Region();
    corner.setMinWidth(STATE_WIDTH + 14);
    heading.getChildren().add(corner);
    for (TerminalRef input : table.inputs()) {
      String meaning =
          Meanings.of(axis).stream()
              .filter(i -> i.input().equals(input))
              .findFirst()
              .map(i -> i.meaning().label())
              .orElse("no purpose set");
      VBox words =
          Parts.column(
              0,
              Parts.label(input.terminal(), "ink-strong"),
              Parts.label(meaning, "ink-caption"),
              Parts.label(input.device(), "ink-caption"));
      words.setMinWidth(CELL_WIDTH);
      words.setMaxWidth(CELL_WIDTH);
      heading.getChildren().add(words);
    }
    return heading;
  }

  private Node row(TruthTable.Row row, int index, Readout readout) {
    HBox line = new HBox(4);
    line.getStyleClass().add("truth-row");
    line.setId("truth-row-" + index);
    line.setAlignment(Pos.CENTER_LEFT);
    line.setFocusTraversable(true);
    Mark mark =
        new Mark(
            row.deviates() ? Mark.Kind.ATTENTION : Mark.Kind.DONE,
            row.deviates() ? "not as meant" : "as meant");
    var label = Parts.prose(row.label());
    label.setMinWidth(STATE_WIDTH - 10);
    label.setMaxWidth(STATE_WIDTH - 10);
    line.getChildren().addAll(mark, label);
    row.cells().forEach((ref, cell) -> line.getChildren().add(cell(ref, cell, readout)));
    line.setAccessibleText(row.label() + (row.deviates() ? ", not as meant" : ", as meant"));
    line.setOnMouseClicked(e -> take.accept(row.state()));
    line.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
            take.accept(row.state());
            e.consume();
          }
        });
    return line;
  }

  private static Node cell(TerminalRef ref, TruthTable.Cell cell, Readout readout) {
    Region glyph = new Region();
    glyph.getStyleClass().addAll("level", cell.level().label());
    InputReading reading = cell.reading();
    String volts = reading == null ? "–" : readout.volts(reading.volts());
    String amperes = reading == null ? "" : readout.milliamps(reading.amperes());
    VBox words = Parts.column(0, Parts.label(volts), Parts.label(amperes, "ink-caption"));
    HBox box = Parts.row(7, glyph, words);
    box.getStyleClass().add("truth-cell");
    box.setMinWidth(CELL_WIDTH);
    box.setMaxWidth(CELL_WIDTH);
    if (cell.deviates()) {
      box.getStyleClass().add("deviates");
      box.getChildren().addAll(Parts.spring(), new Mark(Mark.Kind.ATTENTION, "not as meant"));
    }
    Hint.on(box, () -> hint(ref, cell));
    return box;
  }

  private static String hint(TerminalRef ref, TruthTable.Cell cell) {
    Boolean meant = cell.meant();
    String wanted =
        meant == null ? "nothing is meant here" : "meant " + (meant ? Level.ON : Level.OFF).label();
    return "%s reads %s; %s".formatted(ref, cell.level().label(), wanted);
  }
}
