package unimotus.desktop.identify;

import unimotus.core.machine.Motor;
import unimotus.core.motor.LinkVoltage;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.ServoPlate;
import unimotus.desktop.kit.WholeNumber;
import unimotus.workbench.Edit;
import unimotus.workbench.Edits;

/** The plate of a permanent-magnet servo motor, field by field. */
final class ServoFields {
  private ServoFields() {}

  static void fill(FieldCard card, Motor motor, ServoPlate s) {
    card.number(
        "Voltage",
        s.voltageVolts(),
        MeasureUnit.VOLT_UNIT,
        v -> set(motor, "voltage", s.withVoltageVolts(v)));
    card.number(
        "Stall torque",
        s.stallNewtonMetres(),
        MeasureUnit.NEWTON_METRE,
        v -> set(motor, "stall torque", s.withStall(v, s.stallAmperes())));
    card.number(
        "Stall current",
        s.stallAmperes(),
        MeasureUnit.AMPERE_UNIT,
        v -> set(motor, "stall current", s.withStall(s.stallNewtonMetres(), v)));
    card.number(
        "Rated speed",
        s.ratedRpm(),
        MeasureUnit.RPM,
        v -> set(motor, "rated speed", s.withRated(v, s.ratedNewtonMetres())));
    card.number(
        "Rated torque",
        s.ratedNewtonMetres(),
        MeasureUnit.NEWTON_METRE,
        v -> set(motor, "rated torque", s.withRated(s.ratedRpm(), v)));
    card.number(
        "N·m per ampere",
        s.torqueNewtonMetresPerAmpere(),
        MeasureUnit.ONE,
        v -> set(motor, "torque constant", s.withTorqueConstant(v)));
    card.number(
        "Volts at 1000 rpm",
        s.backVoltsPerThousandRpm(),
        MeasureUnit.VOLT_UNIT,
        v -> set(motor, "back voltage", s.withBackVolts(v)));
    card.number(
        "Poles",
        s.poles(),
        MeasureUnit.ONE,
        v -> set(motor, "poles", s.withFeedback(WholeNumber.of("poles", v), s.encoderCounts())));
    card.number(
        "Feedback, counts a turn",
        s.encoderCounts(),
        MeasureUnit.COUNTS,
        v ->
            set(
                motor,
                "feedback",
                s.withFeedback(s.poles(), WholeNumber.of("feedback counts", v))));
    card.number(
        "Holding brake",
        s.brakeNewtonMetres(),
        MeasureUnit.NEWTON_METRE,
        v -> set(motor, "holding brake", s.withBrake(v)));
    card.number(
        "Rotor inertia",
        s.inertiaKgM2(),
        MeasureUnit.KILOGRAM_SQUARE_METRE,
        v -> set(motor, "inertia", s.withInertiaKgM2(v)));
    card.number(
        "Peak torque; 0 if not stated",
        s.peakNewtonMetres(),
        MeasureUnit.NEWTON_METRE,
        v -> set(motor, "peak torque", s.withPeakNewtonMetres(v)));
    card.number(
        "Highest speed; 0 if not stated",
        s.mostRpm(),
        MeasureUnit.RPM,
        v -> set(motor, "highest speed", s.withMostRpm(v)));
    if (s.brakeNewtonMetres() > 0) {
      card.number(
          "Brake opens in",
          s.brakeOpenSeconds(),
          MeasureUnit.SECOND_UNIT,
          v -> set(motor, "time to open the brake", s.withBrakeOpenSeconds(v)));
      card.number(
          "Brake closes in",
          s.brakeCloseSeconds(),
          MeasureUnit.SECOND_UNIT,
          v -> set(motor, "time to close the brake", s.withBrakeCloseSeconds(v)));
    }
    card.computed("Power", s.ratedWatts() / 1000, MeasureUnit.KILOWATT);
    card.computed("Frequency", s.ratedHertz(), MeasureUnit.HERTZ_UNIT);
    if (s.backVoltsPerThousandRpm() > 0) {
      card.computed("N·m per ampere by voltage", s.torqueConstantFromBackVolts(), MeasureUnit.ONE);
    }
    card.computed(
        "Link, regulated infeed",
        LinkVoltage.regulatedVolts(s.voltageVolts()),
        MeasureUnit.VOLT_UNIT);
  }

  private static Edit set(Motor motor, String what, ServoPlate next) {
    return Edits.plate(motor.id(), what, next);
  }
}
