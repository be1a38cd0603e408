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
import unimotus.core.motion.ServoAxis;
import unimotus.core.review.AxisReview;
import unimotus.core.sheet.MotorKind;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Tabs;
import unimotus.workbench.MotionEdits;

/** The motion of a positioning axis: scaling, moves and loops. */
public final class MotionPane extends VBox {
  private enum Side {
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
  private final Map<Side, MotionSide> sides = new EnumMap<>(Side.class);
  private final StackPane holder = new StackPane();
  private Side side = Side.SCALING;

  /** The pane for a desk. */
  public MotionPane(Desk desk) {
    super(8);
    this.desk = desk;
    setPadding(new Insets(8, 16, 12, 16));
    sides.put(Side.SCALING, new ScalingSide(desk));
    sides.put(Side.MOVES, new MovesSide(desk));
    sides.put(Side.LOOPS, new LoopsSide(desk));
    sides.put(Side.TRACE, new TraceSide(desk));
    sides.put(Side.BITS, new BitsSide(desk));
    VBox.setVgrow(holder, Priority.ALWAYS);
    getChildren().addAll(tabs, holder);
    tabs.show(side);
  }

  private void show(Side next) {
    side = next;
    tabs.show(next);
    refresh();
  }

  /** Opens the side of a finding's place and takes the keyboard to its field, once it is shown. */
  public void aimAt(String place) {
    boolean copies = place.contains("/scaling");
    boolean table = place.endsWith("/bits");
    side = copies ? Side.SCALING : table ? Side.BITS : Side.MOVES;
    tabs.show(side);
    String field =
        copies
            ? "%s-counts".formatted(place.substring(place.lastIndexOf('/') + 1))
            : table
                ? "position-1-to"
                : place.endsWith("/travel")
                    ? "lowest-position"
                    : place.endsWith("/load") ? "suspended-mass" : "velocity";
    Platform.runLater(
        () ->
            Stream.of(
                    "#" + field,
                    "#position-1-by",
                    "#read-" + field.replace("-counts", ""),
                    "#motion-begin")
                .map(this::lookup)
                .filter(Objects::nonNull)
                .findFirst()
                .ifPresent(Node::requestFocus));
  }

  /** Shows the axis in view. */
  public void refresh() {
    Optional<AxisAssembly> assembly = desk.review().map(AxisReview::assembly);
    Optional<ServoAxis> axis = assembly.flatMap(ServoAxis::of);
    tabs.setVisible(axis.isPresent());
    tabs.setManaged(axis.isPresent());
    if (axis.isEmpty()) {
      holder.getChildren().setAll(empty(assembly));
      return;
    }
    MotionSide shown = Objects.requireNonNull(sides.get(side));
    shown.show(axis.get(), desk.review().orElseThrow());
    if (!holder.getChildren().contains(shown.node())) {
      holder.getChildren().setAll(shown.node());
    }
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
    words.getChildren().add(Parts.prose(ServoAxis.fault(axis).orElse(""), "ink-label"));
    boolean servo = axis.motor().plate().kind() == MotorKind.PERMANENT_MAGNET;
    if (servo && axis.axis().motion() == null) {
      words
          .getChildren()
          .add(
              Parts.primary(
                  "motion-begin",
                  "Enter scaling and moves",
                  () -> desk.apply(MotionEdits.begin(axis.axis()))));
    }
    return words;
  }
}
