package unimotus.desktop.motion;

import java.util.EnumMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.motion.PositionedAxis;
import unimotus.core.motion.ServoAxis;
import unimotus.core.motion.StepAxis;
import unimotus.core.review.AxisReview;
import unimotus.core.sheet.MotorKind;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Tabs;
import unimotus.workbench.MotionEdits;

/** The motion of a positioning axis: scaling, moves and loops. */
public final class MotionPane extends VBox {
  private enum Side {
    COILS("Coils"),
    SCALING("Scaling"),
    MOVES("Moves"),
    LOOPS("Loops"),
    TRACE("Trace"),
    BITS("By bits");

    private final String label;

    Side(String label) {
      this.label = label;
    }
  }

  private final Desk desk;
  private final Tabs<Side> tabs = new Tabs<>("motion-", Side.class, s -> s.label, this::show);
  private final Map<Side, MotionSide> ofServos = new EnumMap<>(Side.class);
  private final Map<Side, MotionSide> ofSteppers = new EnumMap<>(Side.class);
  private final StackPane holder = new StackPane();
  private Side ofServo = Side.SCALING;
  private Side ofStepper = Side.COILS;

  /** The pane for a desk. */
  public MotionPane(Desk desk) {
    super(8);
    this.desk = desk;
    setPadding(new Insets(8, 16, 12, 16));
    MotionSide scaling = new ScalingSide(desk);
    ofServos.put(Side.SCALING, scaling);
    ofServos.put(Side.MOVES, new MovesSide(desk));
    ofServos.put(Side.LOOPS, new LoopsSide(desk));
    ofServos.put(Side.TRACE, new TraceSide(desk));
    ofServos.put(Side.BITS, new BitsSide(desk));
    ofSteppers.put(Side.COILS, new CoilsSide(desk));
    ofSteppers.put(Side.SCALING, scaling);
    ofSteppers.put(Side.MOVES, new StepMovesSide(desk));
    VBox.setVgrow(holder, Priority.ALWAYS);
    getChildren().addAll(tabs, holder);
    tabs.show(ofServo);
  }

  private void show(Side next) {
    choose(next);
    refresh();
  }

  /** Each kind of axis keeps the side that was looked at. */
  private void choose(Side next) {
    ofServo = ofServos.containsKey(next) ? next : ofServo;
    ofStepper = ofSteppers.containsKey(next) ? next : ofStepper;
  }

  /** Opens the side of a finding's place and takes the keyboard to its field, once it is shown. */
  public void aimAt(String place) {
    MotionField field = MotionField.of(place);
    choose(Side.valueOf(field.side()));
    Platform.runLater(
        () ->
            Stream.concat(field.ids().stream(), Stream.of("motion-begin"))
                .map(id -> lookup("#" + id))
                .filter(Objects::nonNull)
                .findFirst()
                .ifPresent(Node::requestFocus));
  }

  /** Shows the axis in view. */
  public void refresh() {
    Optional<AxisAssembly> assembly = desk.review().map(AxisReview::assembly);
    Optional<PositionedAxis> axis = assembly.flatMap(MotionPane::positioned);
    tabs.setVisible(axis.isPresent());
    tabs.setManaged(axis.isPresent());
    if (axis.isEmpty()) {
      holder.getChildren().setAll(empty(assembly));
      return;
    }
    boolean steps = axis.get() instanceof StepAxis;
    Map<Side, MotionSide> sides = steps ? ofSteppers : ofServos;
    Side wanted = steps ? ofStepper : ofServo;
    tabs.offer(sides.keySet());
    tabs.show(wanted);
    MotionSide shown = Objects.requireNonNull(sides.get(wanted));
    shown.show(axis.get(), desk.review().orElseThrow());
    if (!holder.getChildren().contains(shown.node())) {
      holder.getChildren().setAll(shown.node());
    }
  }

  private static Optional<PositionedAxis> positioned(AxisAssembly assembly) {
    return assembly.isStepped()
        ? StepAxis.of(assembly).map(PositionedAxis.class::cast)
        : ServoAxis.of(assembly).map(PositionedAxis.class::cast);
  }

  private Node empty(Optional<AxisAssembly> assembly) {
    VBox words = new VBox(10);
    words.setMaxWidth(560);
    words.setId("motion-empty");
    if (assembly.isEmpty()) {
      words
          .getChildren()
          .add(Parts.prose(desk.review().map(AxisReview::whyNoPath).orElse(""), "ink-label"));
      return words;
    }
    AxisAssembly axis = assembly.get();
    Optional<String> fault = axis.isStepped() ? StepAxis.fault(axis) : ServoAxis.fault(axis);
    words.getChildren().add(Parts.prose(fault.orElse(""), "ink-label"));
    boolean servo = axis.motor().plate().kind() == MotorKind.PERMANENT_MAGNET;
    if ((servo || axis.isStepped()) && axis.axis().motion() == null) {
      words
          .getChildren()
          .add(
              Parts.primary(
                  "motion-begin",
                  axis.isStepped() ? "Enter pulses and moves" : "Enter scaling and moves",
                  () -> desk.apply(MotionEdits.begin(axis.axis()))));
    }
    return words;
  }
}
