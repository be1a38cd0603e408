package unimotus.desktop.wire;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.review.AxisReview;
import unimotus.core.schedule.WireSchedule;
import unimotus.core.wiring.CommandState;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.FollowingPane;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Sides;
import unimotus.desktop.kit.Styles;
import unimotus.desktop.station.FindingList;
import unimotus.desktop.station.View;
import unimotus.workbench.BoardEdits;
import unimotus.workbench.WiringEdits;
import unimotus.workbench.WorkStep;
import unimotus.workbench.board.BenchHint;
import unimotus.workbench.board.BoardContents;
import unimotus.workbench.board.BoardScope;
import unimotus.workbench.board.WireBench;
import unimotus.workbench.board.WireBench.Activity;

/**
 * The station Wire: board, what every input sees, schedule; beside them meter, wire and findings.
 */
public final class WireView implements View {
  private static final double LEAST_BOARD = 560;
  private static final double LEAST_SIDE = 240;
  private static final double SIDE = 312;

  private final Desk desk;
  private final WireBench bench = new WireBench();
  private final Board board;
  private final BoardPane boardPane;
  private final TruthPane truth;
  private final ScrollPane truthPane;
  private final SchedulePane schedule;
  private final MeterCard meter;
  private final WireCard wireCard;
  private final FaultCard faultCard;
  private final FindingList findings;
  private final VBox left = new VBox(8);
  private final Map<Mode, Button> modes = new HashMap<>();
  private final Label hint = Parts.label("", "ink-label");
  private final TextField find = new TextField();
  private final Button side = Parts.quiet("power-side", "power side", this::toggleSide);
  private final Button arrange = Parts.quiet("arrange", "arrange", this::arrange);
  private final ActivityChoice activities = new ActivityChoice(bench);
  private final FlowPane boardActions;
  private final Node node;
  private Mode mode = Mode.BOARD;
  private boolean allPoints;
  private boolean wholeLine;
  private boolean power;
  private @Nullable Object laidOut;
  private @Nullable String sought;

  /** The station for a desk. */
  public WireView(Desk desk) {
    this.desk = desk;
    board = new Board(desk, bench, this::touch, this::moveEnd);
    boardPane = new BoardPane(board, this::layOut);
    VBox.setVgrow(boardPane, Priority.ALWAYS);
    truth = new TruthPane(bench, this::bring);
    truthPane = new FollowingPane(truth);
    truthPane.setHbarPolicy(ScrollPane.ScrollBarPolicy.AS_NEEDED);
    VBox.setVgrow(truthPane, Priority.ALWAYS);
    schedule = new SchedulePane(desk, bench);
    VBox.setVgrow(schedule, Priority.ALWAYS);
    meter = new MeterCard(desk, bench);
    wireCard = new WireCard(desk, bench);
    faultCard = new FaultCard(bench);
    findings = new FindingList(desk);
    boardActions = boardActions();
    bench.onChange(this::paint);
    node = page();
  }

  private Node page() {
    FlowPane bar = Parts.flow(6);
    for (Mode each : Mode.values()) {
      Button button =
          Parts.action(
              "mode-" + each.name().toLowerCase(Locale.ROOT), each.label, () -> show(each));
      button.getStyleClass().add("tab");
      modes.put(each, button);
      bar.getChildren().add(button);
    }
    bar.getChildren()
        .addAll(
            Parts.primary("wire-by-intent", "Wire run, reference and answer", this::wireFirstAxis),
            new LinkMenu(desk));
    VBox found = Parts.sheet(8, Parts.label("What the wires say", "ink-strong"), findings);
    ScrollPane right = Parts.scrolling(Parts.column(10, meter, wireCard, faultCard, found));
    Sides middle = new Sides(left, right, LEAST_BOARD, LEAST_SIDE, SIDE);
    VBox.setVgrow(middle, Priority.ALWAYS);
    VBox outer =
        new VBox(
            8,
            Parts.caution(
                "Isolate, lock and tag before you touch terminals. Capacitors stay charged: wait, then measure."),
            bar,
            middle);
    outer.setPadding(new Insets(10, 14, 10, 14));
    outer.addEventHandler(KeyEvent.KEY_PRESSED, this::key);
    return outer;
  }

  private FlowPane boardActions() {
    find.setId("find");
    find.setPromptText("find a terminal or wire");
    find.setAccessibleText("find a terminal or wire");
    find.setPrefColumnCount(14);
    find.setOnAction(e -> seek());
    return Parts.flow(
        8,
        activities,
        Parts.quiet("all-points", "all points", this::togglePoints),
        Parts.quiet("whole-line", "whole line", this::toggleLine),
        side,
        Parts.quiet("all-off", "all off", () -> bench.command(CommandState.REST)),
        boardPane.actions(),
        arrange,
        find,
        hint);
  }

  @Override
  public Node node() {
    return node;
  }

  private void key(KeyEvent e) {
    if (Board.removes(e) && bench.wire().isPresent()) {
      bench.wire().ifPresent(this::remove);
      e.consume();
    } else if (e.getCode() == KeyCode.ESCAPE) {
      bench.letGo();
    } else if (e.getCode() == KeyCode.M) {
      moveEnd();
    }
  }

  private void moveEnd() {
    Node focused = node.getScene() == null ? null : node.getScene().getFocusOwner();
    if (focused instanceof TerminalRow row) {
      moveEnd(row.ref());
    }
  }

  private void remove(Wire wire) {
    if (mayRewire()) {
      desk.apply(WiringEdits.disconnect(wire));
    }
  }

  /** Whether wires may be changed; says why not. */
  private boolean mayRewire() {
    boolean may = bench.activity() == Activity.WIRING;
    if (!may) {
      desk.refuse("no wire is made, moved or removed while measuring: go over to Wiring first");
    }
    return may;
  }

  /** Puts the nearer end of the chosen wire on a terminal: the end on the same device. */
  private void moveEnd(TerminalRef to) {
    bench
        .wire()
        .filter(w -> !w.touches(to) && mayRewire())
        .ifPresent(
            wire -> {
              boolean second = wire.to().device().equals(to.device());
              desk.apply(WiringEdits.moveEnd(wire, second ? wire.to() : wire.from(), to));
            });
  }

  private void wireFirstAxis() {
    desk.axis()
        .ifPresent(a -> desk.apply(WiringEdits.wireFirstAxis(desk.session().sheets(), a.id())));
  }

  /** Devices that were moved stand again where the layout puts them. */
  private void arrange() {
    desk.apply(BoardEdits.arrange(board.laidOut().blocks()));
  }

  private void togglePoints() {
    allPoints = !allPoints;
    layOut();
  }

  private void toggleLine() {
    wholeLine = !wholeLine;
    layOut();
  }

  private void toggleSide() {
    power = !power;
    side.setText(power ? "control side" : "power side");
    layOut();
  }

  private void seek() {
    if (sought != null && !allPoints && board.find(sought).isEmpty()) {
      // Points that carry no wire are not shown: what somebody was led to is.
      togglePoints();
      return;
    }
    board
        .find(find.getText())
        .ifPresentOrElse(
            Node::requestFocus,
            () ->
                desk.refuse(
                    "'%s' is no terminal or wire on the board; show all points or the whole line"
                        .formatted(find.getText())));
  }

  private void show(Mode next) {
    mode = next;
    refresh();
  }

  private void bring(CommandState state) {
    bench.command(state);
    show(Mode.BOARD);
  }

  private void touch(TerminalRef ref) {
    if (bench.activity() == Activity.MEASURING) {
      bench.probe(ref);
      return;
    }
    TerminalRef from = bench.armed();
    if (from == null) {
      bench.choose(null);
      bench.arm(ref);
      return;
    }
    bench.arm(null);
    if (!from.equals(ref)) {
      desk.apply(WiringEdits.connect(from, ref));
    }
  }

  @Override
  public void refresh() {
    bench.take(desk.session().project(), desk.session().sheets());
    desk.navigation()
        .takeCircuit()
        .ifPresent(
            c -> {
              mode = Mode.BOARD;
              bench.pose(c.state(), c.faults());
            });
    sought = desk.navigation().takeAim().orElse(null);
    if (sought != null) {
      mode = Mode.BOARD;
      find.setText(sought);
    }
    modes.forEach((m, b) -> Styles.choose(b, m == mode));
    boardActions.setVisible(mode == Mode.BOARD);
    AxisReview review = desk.review().orElse(null);
    findings.show(
        review == null
            ? List.of()
            : review.findings().stream()
                .filter(f -> WorkStep.of(f.rule()) == WorkStep.WIRE)
                .toList());
    switch (mode) {
      case BOARD -> {
        left.getChildren().setAll(boardActions, boardPane);
        layOut();
        seekWhatIsSought();
      }
      case TRUTH -> {
        left.getChildren().setAll(truthPane);
        paint();
      }
      case SCHEDULE -> {
        left.getChildren().setAll(schedule);
        schedule.show(WireSchedule.of(desk.session().project(), desk.session().sheets()));
        paint();
      }
    }
  }

  /** As if it had been sought here; once more after each layout until something else is done. */
  private void seekWhatIsSought() {
    if (sought != null && boardPane.getWidth() > 0) {
      Platform.runLater(this::seek);
    }
  }

  private void layOut() {
    Project project = desk.session().project();
    AxisAssembly axis = desk.review().map(AxisReview::assembly).orElse(null);
    double width = boardPane.room();
    Object now =
        new ArrayList<Object>(
            Arrays.asList(
                project, String.valueOf(desk.axisId().get()), allPoints, wholeLine, power, width));
    if (!now.equals(laidOut)) {
      laidOut = now;
      BoardContents scope =
          new BoardScope(project, bench.installation(), axis, allPoints, power).of(wholeLine);
      board.show(scope, project.board(), width);
      boardPane.reveal();
      seekWhatIsSought();
    }
    paint();
  }

  private void paint() {
    meter.paint();
    if (mode == Mode.BOARD) {
      board.read(meter.reading());
      board.paint();
      hint.setText(BenchHint.of(bench));
      activities.paint();
      boolean moved = !desk.session().project().board().isEmpty();
      arrange.setVisible(moved);
      arrange.setManaged(moved);
    }
    AxisAssembly axis = desk.review().map(AxisReview::assembly).orElse(null);
    if (mode == Mode.TRUTH && axis != null) {
      truth.show(axis, new Readout(desk.units()));
    }
    wireCard.paint();
    faultCard.paint();
  }
}
