package unimotus.desktop.motion;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import unimotus.core.machine.MotionDesign;
import unimotus.core.motion.ServoAxis;
import unimotus.core.move.MoveLimits;
import unimotus.core.move.TravelRange;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.review.AxisReview;
import unimotus.core.servo.ServoTrace;
import unimotus.desktop.Desk;
import unimotus.desktop.identify.FieldCard;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Sides;
import unimotus.desktop.kit.WholeNumber;
import unimotus.workbench.MotionEdits;

/** The moves of an axis: what they keep to, one after the other, and what is to be seen. */
final class MovesSide implements MotionSide {
  private static final double LEAST_MAIN = 470;
  private static final double LEAST_SIDE = 300;
  private static final double SIDE = 350;
  private static final double AFTERWARDS = 0.3;

  private final Desk desk;
  private final VBox fields = new VBox(10);
  private final MovePlots plots;
  private final DemandCard demand;
  private final Sides node;

  MovesSide(Desk desk) {
    this.desk = desk;
    this.plots = new MovePlots(desk);
    this.demand = new DemandCard(desk);
    VBox main = new VBox(10, plots, demand);
    VBox.setVgrow(plots, Priority.ALWAYS);
    node = new Sides(main, Parts.scrolling(fields), LEAST_MAIN, LEAST_SIDE, SIDE);
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public void show(ServoAxis axis, AxisReview review) {
    fields.getChildren().setAll(new StepsCard(desk, axis), limits(axis), travel(axis), load(axis));
    try {
      ServoTrace trace = axis.run(axis.gains(), AFTERWARDS);
      plots.show(axis, trace);
      demand.show(axis);
    } catch (IllegalArgumentException outside) {
      plots.refuse(String.valueOf(outside.getMessage()));
      demand.show(null);
    }
  }

  private FieldCard limits(ServoAxis axis) {
    FieldCard card = new FieldCard(desk, "what every move keeps to", "Limits");
    MotionUnits units = new MotionUnits(axis.unit());
    MoveLimits limits = axis.design().moves().limits();
    String id = axis.axis().id();
    card.number(
        "Velocity",
        limits.velocity(),
        units.velocity(),
        v -> MotionEdits.limits(id, "velocity", l -> l.withVelocity(v)));
    card.number(
        "Acceleration" + (units.acceleration() == MeasureUnit.ONE ? units.per("s²") : ""),
        limits.acceleration(),
        units.acceleration(),
        v -> MotionEdits.limits(id, "acceleration", l -> l.withAcceleration(v)));
    card.number(
        "Deceleration" + (units.acceleration() == MeasureUnit.ONE ? units.per("s²") : ""),
        limits.deceleration(),
        units.acceleration(),
        v -> MotionEdits.limits(id, "deceleration", l -> l.withDeceleration(v)));
    card.number(
        "Jerk%s; 0 for no limit".formatted(units.per("s³")),
        limits.jerk(),
        MeasureUnit.ONE,
        v -> MotionEdits.limits(id, "jerk", l -> l.withJerk(v)));
    return card;
  }

  private FieldCard travel(ServoAxis axis) {
    FieldCard card = new FieldCard(desk, "where the axis may go", "Travel");
    MotionDesign design = axis.design();
    TravelRange travel = design.travel();
    String id = axis.axis().id();
    card.number(
        "Lowest position",
        travel.least(),
        axis.unit(),
        v -> range(id, new TravelRange(v, travel.most(), travel.modulo(), travel.way())));
    card.number(
        "Highest position",
        travel.most(),
        axis.unit(),
        v -> range(id, new TravelRange(travel.least(), v, travel.modulo(), travel.way())));
    card.number(
        "Starts again after; 0 for never",
        travel.modulo(),
        axis.unit(),
        v -> range(id, new TravelRange(travel.least(), travel.most(), v, travel.way())));
    if (travel.modulo() > 0) {
      card.line(
          "Way to a position",
          new ChoiceField<>(
                  "way to a position",
                  List.of(TravelRange.Way.values()),
                  TravelRange.Way::label,
                  w ->
                      desk.apply(
                          range(
                              id,
                              new TravelRange(travel.least(), travel.most(), travel.modulo(), w))))
              .show(travel.way()));
    }
    card.number(
        "Axis of the drive",
        design.driveAxis(),
        MeasureUnit.ONE,
        v ->
            MotionEdits.change(
                id,
                "axis of the drive",
                d -> d.withDriveAxis(WholeNumber.of("axis of the drive", v))));
    card.number(
        "Cycle of set-points",
        design.cycleSeconds(),
        MeasureUnit.SECOND_UNIT,
        v -> MotionEdits.change(id, "cycle", d -> d.withCycleSeconds(v)));
    return card;
  }

  private static unimotus.workbench.Edit range(String id, TravelRange travel) {
    return MotionEdits.change(id, "travel", d -> d.withTravel(travel));
  }

  private FieldCard load(ServoAxis axis) {
    FieldCard card =
        new FieldCard(desk, "beyond inertia and friction, entered at Identify", "Load");
    String id = axis.axis().id();
    card.number(
        "Suspended mass",
        axis.design().transmission().suspendedKilograms(),
        MeasureUnit.KILOGRAM_UNIT,
        v ->
            MotionEdits.change(
                id,
                "suspended mass",
                d -> d.withTransmission(d.transmission().withSuspendedKilograms(v))));
    card.number(
        "Stiffness, N·m/rad; 0 for rigid",
        axis.design().transmission().stiffnessNewtonMetres(),
        MeasureUnit.ONE,
        v ->
            MotionEdits.change(
                id,
                "stiffness",
                d -> d.withTransmission(d.transmission().withStiffnessNewtonMetres(v))));
    card.number(
        "Backlash, rad",
        axis.design().transmission().backlashRadians(),
        MeasureUnit.ONE,
        v ->
            MotionEdits.change(
                id, "backlash", d -> d.withTransmission(d.transmission().withBacklashRadians(v))));
    card.computed("Inertia ratio, load to motor", axis.load().inertiaRatio(), MeasureUnit.ONE);
    return card;
  }
}
