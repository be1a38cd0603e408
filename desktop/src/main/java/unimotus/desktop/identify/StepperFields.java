package unimotus.desktop.identify;

import unimotus.core.machine.Motor;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.StepperPlate;
import unimotus.workbench.Edit;
import unimotus.workbench.Edits;

/** Label and catalogue of a step motor, field by field. */
final class StepperFields {
  private StepperFields() {}

  static void fill(FieldCard card, Motor motor, StepperPlate s) {
    card.number(
        "Full steps a turn",
        s.stepsPerTurn(),
        MeasureUnit.ONE,
        v -> set(motor, "full steps", s.withStepsPerTurn((int) Math.round(v))));
    card.number(
        "Holding torque",
        s.holdingNewtonMetres(),
        MeasureUnit.NEWTON_METRE,
        v -> set(motor, "holding torque", s.withHoldingNewtonMetres(v)));
    card.number(
        "Current a winding",
        s.ratedAmperes(),
        MeasureUnit.AMPERE_UNIT,
        v -> set(motor, "current", s.withRatedAmperes(v)));
    card.number(
        "Ohms a winding",
        s.windingOhms(),
        MeasureUnit.ONE,
        v -> set(motor, "resistance", s.withWindingOhms(v)));
    card.number(
        "Henries a winding",
        s.windingHenries(),
        MeasureUnit.ONE,
        v -> set(motor, "inductance", s.withWindingHenries(v)));
    card.number(
        "Leads",
        s.leads(),
        MeasureUnit.ONE,
        v -> set(motor, "leads", s.withLeads((int) Math.round(v))));
    card.number(
        "Rotor inertia",
        s.inertiaKgM2(),
        MeasureUnit.KILOGRAM_SQUARE_METRE,
        v -> set(motor, "inertia", s.withInertiaKgM2(v)));
    card.computed("Degrees a step", s.stepDegrees(), MeasureUnit.ONE);
  }

  private static Edit set(Motor motor, String what, StepperPlate next) {
    return Edits.plate(motor.id(), what, next);
  }
}
