package unimotus.desktop.identify;

import java.util.List;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Motor;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.AmpereKind;
import unimotus.core.sheet.CoilConnection;
import unimotus.core.sheet.PullOutCurve;
import unimotus.core.sheet.StepperPlate;
import unimotus.core.stepper.Coils;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.WholeNumber;
import unimotus.desktop.kit.WordField;
import unimotus.workbench.DisplayUnits;
import unimotus.workbench.Edit;
import unimotus.workbench.Edits;

/** Label and catalogue of a step motor, field by field. */
final class StepperFields {
  private StepperFields() {}

  static void fill(Desk desk, FieldCard card, Motor motor, StepperPlate s) {
    card.number(
        "Full steps a turn",
        s.stepsPerTurn(),
        MeasureUnit.ONE,
        v -> set(motor, "full steps", s.withStepsPerTurn(WholeNumber.of("full steps a turn", v))));
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
        v -> set(motor, "leads", s.withLeads(WholeNumber.of("leads", v))));
    card.number(
        "Rotor inertia",
        s.inertiaKgM2(),
        MeasureUnit.KILOGRAM_SQUARE_METRE,
        v -> set(motor, "inertia", s.withInertiaKgM2(v)));
    card.line(
        "Current is",
        new ChoiceField<>(
                "kind of amperes",
                List.of(AmpereKind.values()),
                AmpereKind::label,
                k -> desk.apply(set(motor, "kind of amperes", s.withAmperes(k))))
            .show(s.amperes()));
    card.number(
        "Starts at once up to, full steps/s",
        s.pullInStepsPerSecond(),
        MeasureUnit.ONE,
        v -> set(motor, "pull-in rate", s.withPullInStepsPerSecond(v)));
    PullOutCurve curve = s.pullOut();
    WordField points =
        new WordField(
            "pull-out-curve",
            "pull-out curve, full steps a second and newton metres",
            curve == null ? "" : curve.words(),
            18,
            text -> curve(desk, motor, s, text));
    points.setPromptText("0 1.9; 900 1.5");
    card.line("Pull-out curve, full steps/s and N·m", points);
    card.computed("Degrees a step", s.stepDegrees(), MeasureUnit.ONE);
    CoilConnection.of(s.leads())
        .forEach(c -> card.line(c.label(), Parts.prose(words(desk, Coils.of(s, c)), "ink-live")));
  }

  private static void curve(Desk desk, Motor motor, StepperPlate plate, String text) {
    try {
      @Nullable PullOutCurve curve = text.isBlank() ? null : PullOutCurve.parse(text);
      desk.apply(set(motor, "pull-out curve", plate.withCurve(curve)));
    } catch (IllegalArgumentException wrong) {
      desk.refuse(wrong.getMessage());
    }
  }

  /** What is connected so: current, resistance, inductance and the voltage that holds it. */
  private static String words(Desk desk, Coils coils) {
    DisplayUnits units = desk.units();
    return "%s, %s, %s; holds at %s"
        .formatted(
            units.text(coils.amperes(), MeasureUnit.AMPERE_UNIT),
            units.text(coils.ohms(), MeasureUnit.OHM_UNIT),
            units.text(coils.henries() * 1000, MeasureUnit.MILLIHENRY),
            units.text(coils.volts(), MeasureUnit.VOLT_UNIT));
  }

  private static Edit set(Motor motor, String what, StepperPlate next) {
    return Edits.plate(motor.id(), what, next);
  }
}
