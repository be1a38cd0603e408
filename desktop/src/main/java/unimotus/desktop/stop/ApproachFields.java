package unimotus.desktop.stop;

import java.util.function.DoubleFunction;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import unimotus.core.machine.StopApproach;
import unimotus.core.machine.StopApproach.Kind;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopTrigger;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.stops.SafetyDistance;
import unimotus.core.stops.StopTimes;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.WholeNumber;
import unimotus.workbench.StopEdits;

/** How a person comes near, and the distance the stop needs for it. */
final class ApproachFields {
  private final Desk desk;
  private final UseFields fields;

  ApproachFields(Desk desk, UseFields fields) {
    this.desk = desk;
    this.fields = fields;
  }

  Node of(StopFunction stop, StopTimes times) {
    StopApproach approach = stop.use().approach();
    VBox column = Parts.column(3, Parts.label("Safety distance", "ink-strong"));
    column
        .getChildren()
        .add(
            Parts.column(
                1,
                Parts.label("noticed by", "ink-label"),
                DesignFields.choice(
                    "approach-kind",
                    Kind.values(),
                    Kind::label,
                    approach.kind(),
                    k -> take(stop, approach.withKind(k)))));
    if (approach.kind() == Kind.NONE) {
      column.getChildren().add(Parts.prose(unnoticed(stop, times), "ink-label"));
      return column;
    }
    column.getChildren().add(entries(stop, approach));
    column.getChildren().add(needed(approach, times));
    if (approach.distanceMillimetres() > 0) {
      column.getChildren().add(allowed(approach));
    }
    return column;
  }

  private String unnoticed(StopFunction stop, StopTimes times) {
    if (stop.trigger() != StopTrigger.GUARD_LOCK) {
      return "This stop is operated by hand: there is no safety distance to calculate.";
    }
    double longest = times.longestSeconds();
    return "A guard that stays locked until standstill needs no distance; its lock must not open before %s."
        .formatted(
            Double.isFinite(longest)
                ? desk.units().text(Math.round(longest * 100) / 100.0, MeasureUnit.SECOND_UNIT)
                : "a standstill that is never reached");
  }

  private Node entries(StopFunction stop, StopApproach approach) {
    FlowPane pane = new FlowPane(12, 4);
    Kind kind = approach.kind();
    if (kind == Kind.CURTAIN || kind == Kind.FIELD) {
      pane.getChildren()
          .add(
              length(
                  stop, "resolution", approach.resolutionMillimetres(), approach::withResolution));
    }
    if (kind == Kind.BEAMS) {
      pane.getChildren()
          .add(
              fields.number(
                  stop,
                  "beams",
                  MeasureUnit.ONE,
                  approach.beams(),
                  v -> stop.use().withApproach(approach.withBeams(WholeNumber.of("beams", v)))));
    }
    if (kind == Kind.FIELD) {
      pane.getChildren()
          .add(
              length(
                  stop, "height of the field", approach.heightMillimetres(), approach::withHeight));
    }
    if (kind == Kind.GUARD) {
      pane.getChildren()
          .add(
              fields.number(
                  stop,
                  "time the guard takes to open",
                  MeasureUnit.SECOND_UNIT,
                  approach.openingSeconds(),
                  v -> stop.use().withApproach(approach.withOpening(v))));
    }
    if (kind == Kind.TWO_HAND) {
      CheckBox shroud = new CheckBox("shrouded");
      shroud.setId("approach-shroud");
      shroud.setSelected(approach.shrouded());
      shroud.setOnAction(e -> take(stop, approach.withShroud(shroud.isSelected())));
      pane.getChildren().add(shroud);
    }
    pane.getChildren()
        .add(
            length(
                stop, "distance there is", approach.distanceMillimetres(), approach::withDistance));
    return pane;
  }

  private Node length(
      StopFunction stop, String name, double value, DoubleFunction<StopApproach> change) {
    return fields.number(
        stop, name, MeasureUnit.MILLIMETRE, value, v -> stop.use().withApproach(change.apply(v)));
  }

  private void take(StopFunction stop, StopApproach next) {
    desk.apply(StopEdits.use(stop, "approach", stop.use().withApproach(next)));
  }

  private static Node needed(StopApproach approach, StopTimes times) {
    try {
      SafetyDistance needed = SafetyDistance.needed(times.longestSeconds(), approach);
      boolean near =
          approach.distanceMillimetres() > 0
              && approach.distanceMillimetres() < needed.distanceMillimetres();
      return Parts.prose(
          needed.sum().text() + (times.fault().isPresent() ? "\nT is that of the fault case." : ""),
          near ? "ink-attention" : "ink-sum");
    } catch (IllegalArgumentException none) {
      return Parts.prose(String.valueOf(none.getMessage()), "ink-attention");
    }
  }

  private static Node allowed(StopApproach approach) {
    try {
      return Parts.prose(SafetyDistance.allowed(approach).sum().text(), "ink-sum");
    } catch (IllegalArgumentException none) {
      return Parts.prose(String.valueOf(none.getMessage()), "ink-attention");
    }
  }
}
