package unimotus.desktop.wire;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Supplier;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import unimotus.core.machine.Shield;
import unimotus.core.machine.Wire;
import unimotus.core.machine.WireMake;
import unimotus.core.quantity.Count;
import unimotus.core.schedule.Placement;
import unimotus.core.schedule.WireSchedule;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.workbench.DisplayUnits;
import unimotus.workbench.Schedules;
import unimotus.workbench.WiringEdits;
import unimotus.workbench.board.WireBench;

/** The from–to list of all wires, out to the workshop and back. */
final class SchedulePane extends VBox {
  /** Least widths; what has no fixed length takes the room that is left. */
  private static final double[] WIDTHS = {40, 150, 138, 66, 60, 58};

  private static final Set<Integer> GROWING = Set.of(1, 2);
  private static final String[] HEADINGS = {
    "Wire", "From, to", "Signal", "Size", "At rest", "In action"
  };

  /** What the list takes on the right of its rows: the bar and the edge of a row. */
  private static final double BAR = 22;

  private final Desk desk;
  private final WireBench bench;
  private final ListView<WireSchedule.Row> list = new ListView<>();
  private final VBox problems = Parts.column(3);
  private boolean told;

  SchedulePane(Desk desk, WireBench bench) {
    super(8);
    this.desk = desk;
    this.bench = bench;
    list.setId("schedule");
    list.setCellFactory(v -> new RowCell(desk::units));
    list.setPlaceholder(
        Parts.prose("No wire yet. Wire a link at the board, or read a schedule.", "ink-label"));
    list.getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (o, was, is) -> {
              if (!told && is != null) {
                bench.choose(is.wire().id());
              }
            });
    VBox.setVgrow(list, Priority.ALWAYS);
    HBox actions =
        Parts.row(
            8,
            Parts.action("export-schedule", "Write .csv or .xlsx…", this::write),
            Parts.action("import-schedule", "Read .csv…", this::read));
    getChildren().addAll(actions, problems, heading(), list);
  }

  private static HBox heading() {
    HBox heading = Parts.row(6);
    for (int i = 0; i < HEADINGS.length; i++) {
      Label label = Parts.label(HEADINGS[i], "ink-label");
      size(label, i);
      heading.getChildren().add(label);
    }
    heading.setPadding(new Insets(0, BAR, 0, 8));
    return heading;
  }

  private static void size(Region cell, int column) {
    cell.setMinWidth(WIDTHS[column]);
    cell.setPrefWidth(WIDTHS[column]);
    if (GROWING.contains(column)) {
      HBox.setHgrow(cell, Priority.ALWAYS);
      cell.setMaxWidth(Double.MAX_VALUE);
    } else {
      cell.setMaxWidth(WIDTHS[column]);
    }
  }

  /** Shows the wires of the line. */
  void show(WireSchedule schedule) {
    told = true;
    list.getItems().setAll(schedule.rows());
    schedule.rows().stream()
        .filter(r -> bench.wire().filter(w -> w.id().equals(r.wire().id())).isPresent())
        .findFirst()
        .ifPresent(r -> list.getSelectionModel().select(r));
    told = false;
  }

  private void write() {
    desk.dialogs().export("wires.csv").ifPresent(this::write);
  }

  private void write(Path file) {
    try {
      Schedules.write(WireSchedule.of(desk.session().project(), desk.session().sheets()), file);
      desk.say(
          "%s written to %s"
              .formatted(Count.of(list.getItems().size(), "wire"), file.getFileName()));
    } catch (IOException | IllegalArgumentException e) {
      desk.refuse(e.getMessage());
    }
  }

  private void read() {
    desk.dialogs().importFile().ifPresent(this::read);
  }

  private void read(Path file) {
    try {
      Placement placed = Schedules.read(file, desk.session().project(), desk.session().sheets());
      report(placed);
      List<Wire> merged = placed.mergedInto(desk.session().project());
      if (!merged.equals(desk.session().project().wires())) {
        desk.apply(WiringEdits.replaceWires("read wires from " + file.getFileName(), merged));
      }
      String words =
          "%d wires read, %d lines could not be placed"
              .formatted(placed.wires().size(), placed.problems().size());
      if (placed.problems().isEmpty()) {
        desk.say(words);
      } else {
        desk.refuse(words);
      }
    } catch (IOException | IllegalArgumentException e) {
      desk.refuse(e.getMessage());
    }
  }

  private void report(Placement placed) {
    problems.getChildren().clear();
    placed.problems().stream()
        .limit(6)
        .forEach(p -> problems.getChildren().add(Parts.prose(p.toString(), "ink-attention")));
    if (placed.problems().size() > 6) {
      problems
          .getChildren()
          .add(Parts.prose("and %d more".formatted(placed.problems().size() - 6), "ink-attention"));
    }
  }

  /**
   * One wire: ends, what it carries and is made of, voltages; below them what brings the second.
   */
  private static final class RowCell extends ListCell<WireSchedule.Row> {
    private final List<Label> above = new ArrayList<>();
    private final List<Label> below = new ArrayList<>();
    private final Label action = Parts.passing("ink-caption");
    private final HBox line = Parts.row(5);
    private final VBox lines = Parts.column(0, line, action);

    private final Supplier<DisplayUnits> units;

    RowCell(Supplier<DisplayUnits> units) {
      this.units = units;
      for (int i = 0; i < WIDTHS.length; i++) {
        Label first = Parts.label("");
        Label second = i == 1 ? Parts.label("") : Parts.label("", "ink-caption");
        VBox cell = Parts.column(0, first, second);
        size(cell, i);
        above.add(first);
        below.add(second);
        line.getChildren().add(cell);
      }
      VBox.setMargin(action, new Insets(0, 0, 0, WIDTHS[0] + 5));
      setPrefWidth(0);
    }

    @Override
    protected void updateItem(WireSchedule.Row row, boolean empty) {
      super.updateItem(row, empty);
      setText(null);
      setGraphic(empty || row == null ? null : lines);
      if (!empty && row != null) {
        fill(above, first(row));
        fill(below, second(row));
        WireSchedule.Expected expected = row.expectation();
        action.setText(
            expected == null || expected.action().isEmpty()
                ? ""
                : "in action: " + expected.action());
      }
    }

    private static void fill(List<Label> labels, String... words) {
      for (int i = 0; i < words.length; i++) {
        labels.get(i).setText(words[i]);
      }
    }

    private String[] first(WireSchedule.Row row) {
      Wire wire = row.wire();
      WireSchedule.Expected expected = row.expectation();
      return new String[] {
        wire.id(),
        wire.from().toString(),
        wire.make().signal(),
        wire.make().size().toString(),
        expected == null ? "" : volts(expected.restVolts()),
        expected == null ? "" : volts(expected.actionVolts())
      };
    }

    private static String[] second(WireSchedule.Row row) {
      WireMake make = row.wire().make();
      return new String[] {
        make.colour(),
        row.wire().to().toString(),
        (make.cable() + " " + make.core()).strip(),
        make.lengthMetres() == 0 ? "" : make.lengthMetres() + " m",
        make.shield() == Shield.NONE ? "" : "shielded",
        ""
      };
    }

    private String volts(OptionalDouble volts) {
      return volts.isEmpty()
          ? "floating"
          : new Readout(units.get()).fixed(volts.getAsDouble(), 2) + " V";
    }
  }
}
