package unimotus.desktop.motion;

import java.util.List;
import unimotus.core.machine.MotionDesign;
import unimotus.core.motion.PositionedAxis;
import unimotus.core.move.MoveLimits;
import unimotus.core.move.TravelRange;
import unimotus.core.quantity.MeasureUnit;
import unimotus.desktop.Desk;
import unimotus.desktop.identify.FieldCard;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.WholeNumber;
import unimotus.workbench.Edit;
import unimotus.workbench.MotionEdits;

/** The cards of fields that the moves of every positioning axis have. */
final class MoveCards {
  private final Desk desk;
  private final PositionedAxis axis;
  private final String id;

  MoveCards(Desk desk, PositionedAxis axis) {
    this.desk = desk;
    this.axis = axis;
    this.id = axis.axis().id();
  }

  /** What every move keeps to. */
  FieldCard limits() {
    FieldCard card = new FieldCard(desk, "what every move keeps to", "Limits");
    MotionUnits units = new MotionUnits(axis.unit());
    MoveLimits limits = axis.design().moves().limits();
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

  /** Where the axis may go. */
  FieldCard travel() {
    FieldCard card = new FieldCard(desk, "where the axis may go", "Travel");
    MotionDesign design = axis.design();
    TravelRange travel = design.travel();
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
    return card;
  }

  private static Edit range(String id, TravelRange travel) {
    return MotionEdits.change(id, "travel", d -> d.withTravel(travel));
  }

  /** The same with what a servo drive asks for. */
  FieldCard ofDrive() {
    FieldCard card = travel();
    MotionDesign design = axis.design();
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

  /** Beyond inertia and friction. */
  FieldCard load() {
    FieldCard card =
        new FieldCard(desk, "beyond inertia and friction, entered at Identify", "Load");
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
    return card;
  }
}
