package unimotus.desktop.identify;

import unimotus.core.machine.Axis;
import unimotus.core.machine.Load;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.Reference;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.review.AxisReview;
import unimotus.desktop.Desk;
import unimotus.workbench.Edit;
import unimotus.workbench.Edits;

/** What moves: gear, size, speed and load. */
public final class MachineCard {
  private MachineCard() {}

  /** The card of an axis' machine. */
  public static FieldCard of(Desk desk, AxisReview review) {
    Axis axis = review.axis();
    Mechanics m = axis.mechanics();
    Reference r = axis.reference();
    FieldCard card = new FieldCard(desk, "Machine", m.getClass().getSimpleName());
    card.number(
        "Gear ratio",
        m.gearRatio(),
        MeasureUnit.ONE,
        v -> Edits.mechanics(axis.id(), "the gear ratio", m.withGearRatio(v)));
    size(card, axis, m);
    if (review.assembly() == null || !review.assembly().isPositioned()) {
      ends(card, review, r);
    }
    load(card, axis, axis.load());
    return card;
  }

  /** What the number means; positions of a servo axis are those of its moves. */
  private static void ends(FieldCard card, AxisReview review, Reference r) {
    Axis axis = review.axis();
    card.number(
        review.commands().label() + " at 100 %",
        r.speedAtFull(),
        review.numberUnit(),
        v -> Edits.reference(axis.id(), "full speed", r.withSpeedAtFull(v)));
    card.number(
        "Wanted step",
        r.wantedStep(),
        review.numberUnit(),
        v -> Edits.reference(axis.id(), "the wanted step", r.withWantedStep(v)));
  }

  private static void size(FieldCard card, Axis axis, Mechanics m) {
    if (m instanceof Mechanics.Drum drum) {
      card.number(
          "Diameter",
          drum.diameterMetres(),
          MeasureUnit.METRE_UNIT,
          v -> Edits.mechanics(axis.id(), "the diameter", new Mechanics.Drum(drum.gearRatio(), v)));
    } else if (m instanceof Mechanics.Screw screw) {
      card.number(
          "Lead",
          screw.leadMetres(),
          MeasureUnit.METRE_UNIT,
          v -> Edits.mechanics(axis.id(), "the lead", new Mechanics.Screw(screw.gearRatio(), v)));
    } else if (m instanceof Mechanics.Counting counting) {
      card.number(
          counting.unitName() + " per turn",
          counting.unitsPerTurn(),
          MeasureUnit.ONE,
          v ->
              Edits.mechanics(
                  axis.id(),
                  "the count per turn",
                  new Mechanics.Counting(counting.gearRatio(), v, counting.unitName())));
    }
  }

  private static void load(FieldCard card, Axis axis, Load l) {
    card.number(
        "Load inertia",
        l.inertiaKgM2(),
        MeasureUnit.KILOGRAM_SQUARE_METRE,
        v -> load(axis, "inertia", l.withInertia(v)));
    card.number(
        "Constant torque",
        l.constantNewtonMetres(),
        MeasureUnit.NEWTON_METRE,
        v -> load(axis, "constant torque", l.withConstantTorque(v)));
    card.number(
        "Torque per rpm, N·m",
        l.linearNewtonMetresPerRpm(),
        MeasureUnit.ONE,
        v -> load(axis, "linear torque", l.withLinearTorque(v)));
    card.number(
        "Torque per rpm², N·m",
        l.quadraticNewtonMetresPerRpm2(),
        MeasureUnit.ONE,
        v -> load(axis, "quadratic torque", l.withQuadraticTorque(v)));
    card.number(
        "Gear efficiency",
        100 * l.gearEfficiency(),
        MeasureUnit.PERCENT,
        v -> load(axis, "gear efficiency", l.withGearEfficiency(v / 100)));
  }

  private static Edit load(Axis axis, String what, Load load) {
    return Edits.load(axis.id(), "load " + what, load);
  }
}
