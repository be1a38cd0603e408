package unimotus.desktop.view;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.CubicCurve;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.review.AxisReview;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.workbench.WiringEdits;
import unimotus.workbench.WorkStep;

/**
 * The control wires of an axis: controller's terminals on the left, the drive's on the right, laid
 * out by the program. Choose two terminals to join them; choose a wire and press Delete to take it
 * away.
 */
final class WireView implements View {
  private static final double ROW = 23;
  private static final double TOP = 34;
  private static final double SIDE = 250;

  private final Desk desk;
  private final Pane board = new Pane();
  private final FindingList findings;
  private final Label hint = Parts.label("", "ink-label");
  private final Node node;
  private final Map<TerminalRef, Circle> places = new HashMap<>();
  private @Nullable TerminalRef armed;
  private @Nullable String chosenWire;
  private boolean allPoints;

  WireView(Desk desk) {
    this.desk = desk;
    this.findings = new FindingList(desk);
    HBox actions =
        Parts.row(
            10,
            Parts.primary("wire-by-intent", "Wire run, reference and answer", this::wireByIntent),
            Parts.action("all-points", "Show all points", this::togglePoints),
            Parts.action("remove-wire", "Remove wire", this::removeChosen),
            hint);
    VBox left = new VBox(10, actions, Parts.scrolling(board));
    HBox.setHgrow(left, Priority.ALWAYS);
    VBox right =
        Parts.sheet(10, Parts.label("What the wires say", "ink-strong"), Parts.scrolling(findings));
    right.setPrefWidth(330);
    right.setMinWidth(330);
    VBox.setVgrow(right.getChildren().get(1), Priority.ALWAYS);
    HBox page = new HBox(14, left, right);
    VBox outer =
        new VBox(
            10,
            Parts.caution(
                "Isolate, lock and tag before you touch terminals. Capacitors stay charged: wait, then measure."),
            page);
    VBox.setVgrow(page, Priority.ALWAYS);
    outer.setPadding(new Insets(12, 16, 12, 16));
    outer.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.DELETE || e.getCode() == KeyCode.BACK_SPACE) {
            removeChosen();
          } else if (e.getCode() == KeyCode.ESCAPE) {
            armed = null;
            refresh();
          }
        });
    node = outer;
  }

  @Override
  public Node node() {
    return node;
  }

  private void wireByIntent() {
    desk.axis()
        .ifPresent(a -> desk.apply(WiringEdits.wireFirstAxis(desk.session().sheets(), a.id())));
  }

  private void togglePoints() {
    allPoints = !allPoints;
    refresh();
  }

  private void removeChosen() {
    desk.session().project().wires().stream()
        .filter(w -> w.id().equals(chosenWire))
        .findFirst()
        .ifPresent(w -> desk.apply(WiringEdits.disconnect(w)));
  }

  @Override
  public void refresh() {
    board.getChildren().clear();
    places.clear();
    AxisReview review = desk.review().orElse(null);
    AxisAssembly axis = review == null ? null : review.assembly();
    findings.show(
        review == null
            ? List.of()
            : review.findings().stream()
                .filter(f -> axis == null || WorkStep.of(f.rule()) == WorkStep.WIRE)
                .toList());
    if (axis == null) {
      return;
    }
    List<Terminal> controller = shownPoints(axis);
    List<Terminal> drive = axis.driveSheet().terminals();
    layOut(
        axis.controller().id(), axis.controller().name(), axis.controllerSheet(), controller, true);
    layOut(axis.drive().id(), axis.drive().name(), axis.driveSheet(), drive, false);
    axis.wires().forEach(this::draw);
    board.setPrefHeight(TOP + ROW * Math.max(controller.size(), drive.size()) + 14);
    hint.setText(hintText());
  }

  private String hintText() {
    return armed != null
        ? "from %s: choose the other end, Escape to let go".formatted(armed)
        : chosenWire != null
            ? "wire %s chosen, Delete removes it".formatted(chosenWire)
            : "choose two terminals to join them";
  }

  /** Points that are wired to this drive first, then what is usually needed; all on demand. */
  private List<Terminal> shownPoints(AxisAssembly axis) {
    List<Terminal> all = axis.controllerSheet().terminals();
    if (allPoints) {
      return all;
    }
    List<Terminal> shown = new ArrayList<>();
    for (Terminal terminal : all) {
      TerminalRef ref = new TerminalRef(axis.controller().id(), terminal.id());
      boolean used = axis.wires().stream().anyMatch(w -> w.touches(ref));
      if (used || isUsual(axis, terminal)) {
        shown.add(terminal);
      }
    }
    return shown;
  }

  private boolean isUsual(AxisAssembly axis, Terminal terminal) {
    String output = axis.axis().reference().output();
    boolean free =
        desk.session().project().wires().stream()
            .noneMatch(w -> w.touches(new TerminalRef(axis.controller().id(), terminal.id())));
    boolean supply =
        terminal.role() == TerminalRole.COMMON_0V || terminal.role() == TerminalRole.SUPPLY_24V;
    boolean ownAnalog =
        output != null && (terminal.id().equals(output) || terminal.id().equals(output + "M"));
    return supply
        || ownAnalog
        || (free && terminal.role().isBinaryOutput() && terminal.id().endsWith("3"));
  }

  private void layOut(
      String device, String name, DeviceSheet sheet, List<Terminal> terminals, boolean left) {
    Label title = Parts.label(name, "ink-strong");
    Label kind = Parts.label(sheet.name(), "ink-caption");
    VBox head = new VBox(0, title, kind);
    head.setAlignment(left ? Pos.TOP_RIGHT : Pos.TOP_LEFT);
    place(head, left, 0);
    for (int i = 0; i < terminals.size(); i++) {
      addTerminal(device, terminals.get(i), TOP + ROW * i, left);
    }
  }

  private void place(Region box, boolean left, double y) {
    box.setLayoutY(y);
    box.setPrefWidth(SIDE - 16);
    if (!left) {
      box.layoutXProperty().bind(board.widthProperty().subtract(SIDE - 16));
    }
    board.getChildren().add(box);
  }

  private void addTerminal(String device, Terminal terminal, double y, boolean left) {
    TerminalRef ref = new TerminalRef(device, terminal.id());
    Circle dot = new Circle(5);
    dot.getStyleClass().add("terminal");
    if (desk.session().project().wires().stream().anyMatch(w -> w.touches(ref))) {
      dot.getStyleClass().add("wired");
    }
    if (ref.equals(armed)) {
      dot.getStyleClass().add("armed");
    }
    dot.setCenterY(y + ROW / 2);
    if (left) {
      dot.setCenterX(SIDE);
    } else {
      dot.centerXProperty().bind(board.widthProperty().subtract(SIDE));
    }
    places.put(ref, dot);
    Label id = Parts.label(terminal.id(), "terminal-name");
    Label label = Parts.label(terminal.label(), "ink-caption");
    HBox row = left ? new HBox(8, label, id) : new HBox(8, id, label);
    row.setAlignment(left ? Pos.CENTER_RIGHT : Pos.CENTER_LEFT);
    row.getStyleClass().add("terminal-row");
    row.setId("terminal-" + device + "-" + terminal.id());
    row.setFocusTraversable(true);
    row.setAccessibleText(device + " " + terminal.id() + ", " + terminal.label());
    row.setPrefHeight(ROW);
    row.setOnMouseClicked(e -> touch(ref));
    row.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
            touch(ref);
            e.consume();
          }
        });
    place(row, left, y);
    board.getChildren().add(dot);
  }

  private void touch(TerminalRef ref) {
    TerminalRef from = armed;
    chosenWire = null;
    if (from == null) {
      armed = ref;
      refresh();
      return;
    }
    armed = null;
    if (from.equals(ref)) {
      refresh();
    } else {
      desk.apply(WiringEdits.connect(from, ref));
    }
  }

  private void draw(Wire wire) {
    Circle from = places.get(wire.from());
    Circle to = places.get(wire.to());
    if (from == null || to == null) {
      return;
    }
    CubicCurve curve = new CubicCurve();
    curve.startXProperty().bind(from.centerXProperty());
    curve.startYProperty().bind(from.centerYProperty());
    curve.endXProperty().bind(to.centerXProperty());
    curve.endYProperty().bind(to.centerYProperty());
    boolean sameSide = wire.from().device().equals(wire.to().device());
    curve
        .controlX1Property()
        .bind(sameSide ? from.centerXProperty().subtract(46) : board.widthProperty().divide(2));
    curve.controlY1Property().bind(from.centerYProperty());
    curve
        .controlX2Property()
        .bind(sameSide ? to.centerXProperty().subtract(46) : board.widthProperty().divide(2));
    curve.controlY2Property().bind(to.centerYProperty());
    curve.getStyleClass().add("wire");
    if (isAnalog(wire)) {
      curve.getStyleClass().add("analog");
    }
    if (wire.id().equals(chosenWire)) {
      curve.getStyleClass().add("chosen");
    }
    curve.setId("wire-" + wire.id());
    curve.setOnMouseClicked(
        e -> {
          chosenWire = wire.id();
          armed = null;
          refresh();
          node.requestFocus();
        });
    board.getChildren().add(0, curve);
  }

  private boolean isAnalog(Wire wire) {
    AxisAssembly axis = desk.review().map(AxisReview::assembly).orElse(null);
    if (axis == null) {
      return false;
    }
    TerminalRef end = wire.from().device().equals(axis.drive().id()) ? wire.from() : wire.to();
    return axis.driveSheet()
        .terminal(end.terminal())
        .map(Terminal::role)
        .filter(
            r ->
                r == TerminalRole.ANALOG_INPUT
                    || r == TerminalRole.ANALOG_OUTPUT
                    || r == TerminalRole.ANALOG_COMMON)
        .isPresent();
  }
}
