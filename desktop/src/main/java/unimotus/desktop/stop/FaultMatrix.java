package unimotus.desktop.stop;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import unimotus.core.stops.Detection;
import unimotus.core.stops.FaultKind;
import unimotus.core.stops.FaultResult;
import unimotus.core.stops.FaultRun;
import unimotus.desktop.kit.Hint;
import unimotus.desktop.kit.Mark;
import unimotus.desktop.kit.Parts;

/** Elements by kinds of fault: when each shows, and whether the stop is lost. */
final class FaultMatrix extends VBox {
  private static final double COLUMN = 31;
  private static final double NAMES = 222;

  private static final double LEAST_NAMES = 90;
  private static final double MOST_NAMES = 400;
  private static final int MOST_PAIRS = 40;

  private final Consumer<FaultResult> open;

  /**
   * @param open opens the circuit in the state of a result
   */
  FaultMatrix(Consumer<FaultResult> open) {
    super(10);
    this.open = open;
    setId("fault-matrix");
  }

  void show(FaultRun run) {
    getChildren().setAll(summary(run), legend(), grid(run), pairs(run));
  }

  private static Node summary(FaultRun run) {
    return Parts.prose(
        "%d single faults: %d lose the stop, %d show nowhere. On top of those %d second faults: %d lose the stop.%s"
            .formatted(
                run.singles().size(),
                run.lostByOne().size(),
                run.hidden().size(),
                run.doubles().size(),
                run.lostByTwo().size(),
                run.complete() ? "" : " The run was stopped before its end."));
  }

  private static Node legend() {
    FlowPane lines = new FlowPane(12, 2);
    for (Detection detection : Detection.values()) {
      lines.getChildren().add(sign(mark(detection), "shows " + detection.label()));
    }
    lines.getChildren().add(sign(Mark.Kind.ATTENTION, "the stop is lost"));
    return lines;
  }

  private static Node sign(Mark.Kind kind, String words) {
    return Parts.row(6, new Mark(kind, words), Parts.label(words, "ink-caption"));
  }

  private Node grid(FaultRun run) {
    GridPane grid = new GridPane();
    grid.setVgap(1);
    ColumnConstraints names = new ColumnConstraints(LEAST_NAMES, NAMES, MOST_NAMES);
    names.setHgrow(Priority.ALWAYS);
    grid.getColumnConstraints().add(names);
    int column = 1;
    List<FaultKind> kinds =
        Stream.of(FaultKind.values())
            .filter(k -> run.elements().stream().anyMatch(e -> run.single(e, k).isPresent()))
            .toList();
    for (FaultKind kind : kinds) {
      Label words = Parts.label(kind.label(), "ink-caption");
      words.setRotate(-90);
      VBox head = new VBox(new Group(words));
      head.setAlignment(Pos.BOTTOM_CENTER);
      head.setPrefWidth(COLUMN);
      grid.add(head, column++, 0);
    }
    int row = 1;
    for (String element : run.elements()) {
      Label name = Parts.prose(brief(run, element), "ink-label");
      Hint.on(name, () -> element);
      grid.add(name, 0, row);
      column = 1;
      for (FaultKind kind : kinds) {
        Optional<FaultResult> result = run.single(element, kind);
        grid.add(result.map(this::cell).orElseGet(Region::new), column++, row);
      }
      row++;
    }
    return grid;
  }

  /** The axis' own name and the word for a conductor are said by the place. */
  private static String brief(FaultRun run, String element) {
    String axis = run.circuit().axis().axis().name() + " ";
    return element.replace(axis, "").replaceFirst("^conductor ", "");
  }

  private Node cell(FaultResult result) {
    String words = words(result);
    Button cell = new Button("", new Mark(mark(result), words));
    cell.getStyleClass().setAll("fault-cell");
    cell.setPrefWidth(COLUMN);
    cell.setAccessibleText("%s: %s".formatted(result.last().text(), words));
    Hint.on(cell, cell::getAccessibleText);
    cell.setOnAction(e -> open.accept(result));
    return cell;
  }

  private Node pairs(FaultRun run) {
    VBox list = Parts.column(3);
    if (!run.lostByTwo().isEmpty()) {
      list.getChildren()
          .add(Parts.label("A hidden first, then a second that loses the stop", "ink-strong"));
    }
    run.lostByTwo().stream()
        .limit(MOST_PAIRS)
        .forEach(
            r -> {
              Button line =
                  Parts.quiet(
                      "pair",
                      brief(
                          run, "%s, then %s".formatted(r.faults().get(0).text(), r.last().text())),
                      () -> open.accept(r));
              line.setWrapText(true);
              line.setMinWidth(0);
              line.setAlignment(Pos.TOP_LEFT);
              list.getChildren().add(line);
            });
    if (run.lostByTwo().size() > MOST_PAIRS) {
      list.getChildren()
          .add(
              Parts.label(
                  "and %d more".formatted(run.lostByTwo().size() - MOST_PAIRS), "ink-caption"));
    }
    return list;
  }

  private static String words(FaultResult result) {
    return result.stopLost()
        ? "the stop is lost, shows " + result.detection().label()
        : "stop performed, shows " + result.detection().label();
  }

  private static Mark.Kind mark(FaultResult result) {
    return result.stopLost() ? Mark.Kind.ATTENTION : mark(result.detection());
  }

  private static Mark.Kind mark(Detection detection) {
    return switch (detection) {
      case AT_ONCE -> Mark.Kind.DONE;
      case AT_DEMAND -> Mark.Kind.PARTLY;
      case AT_RESET -> Mark.Kind.NOTE;
      case NEVER -> Mark.Kind.OPEN;
    };
  }
}
