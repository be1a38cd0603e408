package unimotus.desktop.shell;

import java.util.EnumMap;
import java.util.Map;
import java.util.Objects;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import unimotus.core.review.AxisReview;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Hint;
import unimotus.desktop.kit.Mark;
import unimotus.desktop.station.States;
import unimotus.workbench.Progress;
import unimotus.workbench.WorkStep;

/** The work order of the axis looked at, each station with its state. */
final class WorkOrderRail extends HBox {
  private final Desk desk;
  private final Map<WorkStep, Button> buttons = new EnumMap<>(WorkStep.class);
  private final Map<WorkStep, Mark> marks = new EnumMap<>(WorkStep.class);

  WorkOrderRail(Desk desk) {
    super(0);
    this.desk = desk;
    for (WorkStep step : WorkStep.values()) {
      Mark mark = new Mark(Mark.Kind.OPEN, "open");
      Button button = new Button(step.label(), mark);
      button.setId("step-" + step.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'));
      button.getStyleClass().setAll("step");
      Hint.on(button, button::getAccessibleText);
      button.setOnAction(e -> desk.show(desk.axisId().get(), step));
      buttons.put(step, button);
      marks.put(step, mark);
      getChildren().add(button);
    }
  }

  void refresh() {
    setVisible(desk.axis().isPresent());
    AxisReview review = desk.isChecked() ? desk.review().orElse(null) : null;
    if (review == null) {
      return;
    }
    Progress progress = desk.progress(review);
    for (WorkStep step : WorkStep.values()) {
      Progress.State state = progress.state(step);
      Button button = Objects.requireNonNull(buttons.get(step));
      Objects.requireNonNull(marks.get(step)).show(States.mark(state), States.word(state));
      button.setDisable(state == Progress.State.LATER);
      button.setAccessibleText(
          "%s, %s (Alt+%d)".formatted(step.label(), States.word(state), step.ordinal() + 1));
      button.getStyleClass().remove("chosen");
      if (step == desk.step().get()) {
        button.getStyleClass().add("chosen");
      }
    }
  }
}
