package unimotus.desktop.motion;

import java.util.OptionalDouble;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.motion.ServoAxis;
import unimotus.core.move.SetPoints;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.servo.MoveDemand;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;

/** What the moves ask of motor, drive and bus, against what there is. */
final class DemandCard extends VBox {
  private final Desk desk;
  private final FlowPane facts = Parts.flow(18);

  DemandCard(Desk desk) {
    super(6);
    this.desk = desk;
    getStyleClass().add("sheet");
    setId("move-demand");
    getChildren().addAll(Parts.label("What they ask for", "ink-strong"), facts);
  }

  /** Shows an axis; null where its moves cannot be run. */
  void show(@Nullable ServoAxis axis) {
    facts.getChildren().clear();
    if (axis == null) {
      return;
    }
    MoveDemand demand = axis.demand();
    fact("takes", text(demand.seconds(), MeasureUnit.SECOND_UNIT), "");
    fact(
        "largest torque",
        text(demand.peakNewtonMetres(), MeasureUnit.NEWTON_METRE),
        of(axis.curve().peak(demand.peakAtRpm()), "the motor gives %s for a short time"));
    fact(
        "effective torque",
        text(demand.effectiveNewtonMetres(), MeasureUnit.NEWTON_METRE),
        of(axis.curve().continuous(demand.meanRpm()), "the motor gives %s continuously"));
    fact(
        "highest motor speed",
        text(demand.peakRpm(), MeasureUnit.RPM),
        "plate: " + text(axis.curve().mostRpm(), MeasureUnit.RPM));
    fact("energy that comes back", text(demand.returnedJoules(), MeasureUnit.JOULE_UNIT), "");
    SetPoints points =
        SetPoints.of(
            axis.plan(), axis.machine().signedCountsPerUnit(), axis.design().cycleSeconds());
    fact(
        "largest step of a cycle",
        QuantityFormat.PLAIN.text(points.largestStep(), MeasureUnit.COUNTS),
        points.fitsThirtyTwoBits() ? "" : "they do not fit 32 bits");
  }

  private String of(OptionalDouble most, String words) {
    return most.isPresent()
        ? words.formatted(text(most.getAsDouble(), MeasureUnit.NEWTON_METRE))
        : "the plate does not state what the motor gives there";
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
