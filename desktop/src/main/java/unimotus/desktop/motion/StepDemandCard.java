package unimotus.desktop.motion;

import java.util.Optional;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import unimotus.core.motion.StepAxis;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.stepper.StepDemand;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;

/** What the moves ask of output, driver and motor, against what there is. */
final class StepDemandCard extends VBox {
  private final Desk desk;
  private final FlowPane facts = Parts.flow(18);

  StepDemandCard(Desk desk) {
    super(6);
    this.desk = desk;
    getStyleClass().add("sheet");
    setId("step-demand");
    getChildren().addAll(Parts.label("What they ask for", "ink-strong"), facts);
  }

  void clear() {
    facts.getChildren().clear();
  }

  /**
   * Shows an axis.
   *
   * @throws IllegalArgumentException where a move leads outside its travel
   */
  void show(StepAxis axis) {
    clear();
    fact("takes", text(axis.plan().seconds(), MeasureUnit.SECOND_UNIT), "");
    fact(
        "highest rate",
        text(axis.peakHertz(), MeasureUnit.HERTZ_UNIT),
        "driver: " + text(axis.driver().mostHertz(), MeasureUnit.HERTZ_UNIT));
    axis.pullInHertz()
        .ifPresent(
            hertz ->
                fact(
                    "starts at once up to",
                    text(hertz, MeasureUnit.HERTZ_UNIT),
                    "pull-in rate with its load"));
    Optional<StepDemand> demand = axis.demand();
    if (demand.isEmpty()) {
      fact("torque", "not known", "choose the coils and enter the supply");
      return;
    }
    StepDemand asked = demand.get();
    fact("largest torque", text(asked.peakNewtonMetres(), MeasureUnit.NEWTON_METRE), "");
    fact(
        "used of the curve",
        Double.isInfinite(asked.used())
            ? "more than there is"
            : text(100 * asked.used(), MeasureUnit.PERCENT),
        asked.stallsAt().isPresent()
            ? "falls out of step after "
                + text(asked.stallsAt().getAsDouble(), MeasureUnit.SECOND_UNIT)
            : "up to %s is usual".formatted(text(100 * StepDemand.MOST_USED, MeasureUnit.PERCENT)));
    fact(
        "among resonances",
        text(asked.bandSeconds(), MeasureUnit.SECOND_UNIT),
        "%.0f to %.0f full steps a second".formatted(StepDemand.BAND_LOW, StepDemand.BAND_HIGH));
  }

  private String text(double value, MeasureUnit unit) {
    return desk.units().text(value, unit);
  }

  private void fact(String name, String value, String beside) {
    VBox fact = Parts.column(0, Parts.label(name, "ink-label"), Parts.label(value, "ink-live"));
    if (!beside.isEmpty()) {
      fact.getChildren().add(Parts.label(beside, "ink-label"));
    }
    facts.getChildren().add(fact);
  }
}
