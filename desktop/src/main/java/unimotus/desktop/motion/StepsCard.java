package unimotus.desktop.motion;

import java.util.List;
import java.util.function.DoubleFunction;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import unimotus.core.motion.PositionedAxis;
import unimotus.core.move.MoveStep;
import unimotus.core.quantity.MeasureUnit;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.QuantityField;
import unimotus.desktop.kit.WholeNumber;
import unimotus.workbench.Edit;
import unimotus.workbench.MotionEdits;

/** The moves one by one, each with its figures. */
final class StepsCard extends VBox {
  private final Desk desk;
  private final PositionedAxis axis;
  private final MotionUnits units;
  private final String id;

  StepsCard(Desk desk, PositionedAxis axis) {
    super(6);
    this.desk = desk;
    this.axis = axis;
    this.units = new MotionUnits(axis.unit());
    this.id = axis.axis().id();
    getStyleClass().add("sheet");
    getChildren().add(Parts.label("Moves", "ink-strong"));
    getChildren()
        .add(
            Parts.row(
                8,
                Parts.label("from", "ink-label"),
                field(
                    "start",
                    axis.design().moves().start(),
                    axis.unit(),
                    v -> MotionEdits.moves(id, "start", m -> m.withStart(v))),
                Parts.label("times", "ink-label"),
                field(
                    "times",
                    axis.design().moves().times(),
                    MeasureUnit.ONE,
                    v ->
                        MotionEdits.moves(
                            id, "times", m -> m.withTimes(WholeNumber.of("times", v))))));
    List<MoveStep> steps = axis.design().moves().steps();
    for (int i = 0; i < steps.size(); i++) {
      getChildren().add(row(i, steps.get(i)));
    }
    if (steps.isEmpty()) {
      getChildren().add(Parts.prose("No moves yet: add the first.", "ink-label"));
    }
    getChildren().add(adders());
  }

  private Node row(int at, MoveStep step) {
    HBox row = Parts.row(8, Parts.label("%d".formatted(at + 1), "ink-label"));
    row.getChildren().add(Parts.label(step.label(), "ink-strong"));
    row.getChildren().add(Parts.spring());
    if (step instanceof MoveStep.Absolute absolute) {
      row.getChildren()
          .add(value(at, "to", absolute.target(), axis.unit(), MoveStep.Absolute::new));
    } else if (step instanceof MoveStep.Incremental by) {
      row.getChildren().add(value(at, "by", by.distance(), axis.unit(), MoveStep.Incremental::new));
    } else if (step instanceof MoveStep.Jog jog) {
      row.getChildren()
          .add(
              value(
                  at,
                  "with",
                  jog.velocity(),
                  units.velocity(),
                  v -> new MoveStep.Jog(v, jog.seconds())));
      row.getChildren()
          .add(
              value(
                  at,
                  "for",
                  jog.seconds(),
                  MeasureUnit.SECOND_UNIT,
                  v -> new MoveStep.Jog(jog.velocity(), v)));
    } else if (step instanceof MoveStep.Dwell dwell) {
      row.getChildren()
          .add(value(at, "for", dwell.seconds(), MeasureUnit.SECOND_UNIT, MoveStep.Dwell::new));
    }
    row.getChildren()
        .add(
            Parts.quiet(
                "step-remove-" + at, "remove", () -> desk.apply(MotionEdits.removeStep(id, at))));
    return row;
  }

  private Node value(
      int at, String word, double value, MeasureUnit unit, DoubleFunction<MoveStep> step) {
    return Parts.row(
        4,
        Parts.label(word, "ink-label"),
        field(
            "step-%d-%s".formatted(at, word),
            value,
            unit,
            v -> MotionEdits.setStep(id, at, step.apply(v))));
  }

  private QuantityField field(
      String fieldId, double value, MeasureUnit unit, DoubleFunction<Edit> edit) {
    return EditField.of(desk, "move-" + fieldId, value, unit, edit);
  }

  /** What is added begins with figures that can be run: where it stands, and the limits. */
  private Node adders() {
    double last = axis.design().moves().start();
    double velocity = axis.design().moves().limits().velocity();
    return Parts.flow(
        4,
        Parts.label("add", "ink-label"),
        adder("absolute", new MoveStep.Absolute(last)),
        adder("incremental", new MoveStep.Incremental(0)),
        adder("jog", new MoveStep.Jog(velocity / 2, 1)),
        adder("dwell", new MoveStep.Dwell(0.5)));
  }

  private Node adder(String word, MoveStep step) {
    return Parts.quiet("add-" + word, word, () -> desk.apply(MotionEdits.addStep(id, step)));
  }
}
