package unimotus.desktop.identify;

import unimotus.core.machine.Motor;
import unimotus.core.motor.LinkVoltage;
import unimotus.core.motor.MotorFormulas;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.Plate;
import unimotus.core.sheet.ServoPlate;
import unimotus.desktop.Desk;
import unimotus.workbench.Edit;
import unimotus.workbench.Edits;

/** What a motor's plate says. */
public final class MotorCard {
  private MotorCard() {}

  /** The card of a motor. */
  public static FieldCard of(Desk desk, Motor motor) {
    Plate p = motor.plate();
    FieldCard card = new FieldCard(desk, "Motor plate", motor.name());
    if (motor.servo() != null) {
      servo(card, motor, motor.servo());
      return card;
    }
    card.number(
        "Power",
        p.powerWatts() / 1000,
        MeasureUnit.KILOWATT,
        v -> plate(motor, "power", p.withPower(v * 1000)));
    card.number(
        "Voltage",
        p.voltageVolts(),
        MeasureUnit.VOLT_UNIT,
        v -> plate(motor, "voltage", p.withVoltage(v)));
    card.number(
        "Current",
        p.currentAmperes(),
        MeasureUnit.AMPERE_UNIT,
        v -> plate(motor, "current", p.withCurrent(v)));
    card.number(
        "Frequency",
        p.frequencyHertz(),
        MeasureUnit.HERTZ_UNIT,
        v -> plate(motor, "frequency", p.withFrequency(v)));
    card.number("Speed", p.speedRpm(), MeasureUnit.RPM, v -> plate(motor, "speed", p.withSpeed(v)));
    card.number(
        "cos φ",
        p.powerFactor(),
        MeasureUnit.ONE,
        v -> plate(motor, "cos φ", p.withPowerFactor(v)));
    card.number(
        "Service factor",
        p.serviceFactor(),
        MeasureUnit.ONE,
        v -> plate(motor, "service factor", p.withServiceFactor(v)));
    card.number(
        "Rotor inertia",
        p.inertiaKgM2(),
        MeasureUnit.KILOGRAM_SQUARE_METRE,
        v -> plate(motor, "inertia", p.withInertia(v)));
    card.computed("Efficiency", 100 * MotorFormulas.efficiency(p), MeasureUnit.PERCENT);
    if (p.speedRpm() < MotorFormulas.synchronousRpm(p.frequencyHertz(), 2)) {
      card.computed("Poles", MotorFormulas.poles(p), MeasureUnit.ONE);
      card.computed(
          "Rated torque", MotorFormulas.ratedTorqueNewtonMetres(p), MeasureUnit.NEWTON_METRE);
    }
    return card;
  }

  private static void servo(FieldCard card, Motor motor, ServoPlate s) {
    card.number(
        "Stall torque",
        s.stallNewtonMetres(),
        MeasureUnit.NEWTON_METRE,
        v -> Edits.servo(motor.id(), "stall torque", s.withStall(v, s.stallAmperes())));
    card.number(
        "Stall current",
        s.stallAmperes(),
        MeasureUnit.AMPERE_UNIT,
        v -> Edits.servo(motor.id(), "stall current", s.withStall(s.stallNewtonMetres(), v)));
    card.number(
        "Rated speed",
        s.ratedRpm(),
        MeasureUnit.RPM,
        v -> Edits.servo(motor.id(), "rated speed", s.withRated(v, s.ratedNewtonMetres())));
    card.number(
        "Rated torque",
        s.ratedNewtonMetres(),
        MeasureUnit.NEWTON_METRE,
        v -> Edits.servo(motor.id(), "rated torque", s.withRated(s.ratedRpm(), v)));
    card.number(
        "N·m per ampere",
        s.torqueNewtonMetresPerAmpere(),
        MeasureUnit.ONE,
        v -> Edits.servo(motor.id(), "torque constant", s.withTorqueConstant(v)));
    card.number(
        "Volts at 1000 rpm",
        s.backVoltsPerThousandRpm(),
        MeasureUnit.VOLT_UNIT,
        v -> Edits.servo(motor.id(), "back voltage", s.withBackVolts(v)));
    card.number(
        "Poles",
        s.poles(),
        MeasureUnit.ONE,
        v ->
            Edits.servo(
                motor.id(), "poles", s.withFeedback((int) Math.round(v), s.encoderCounts())));
    card.number(
        "Feedback, counts a turn",
        s.encoderCounts(),
        MeasureUnit.COUNTS,
        v -> Edits.servo(motor.id(), "feedback", s.withFeedback(s.poles(), (int) Math.round(v))));
    card.number(
        "Holding brake",
        s.brakeNewtonMetres(),
        MeasureUnit.NEWTON_METRE,
        v -> Edits.servo(motor.id(), "holding brake", s.withBrake(v)));
    card.computed("Power", s.ratedWatts() / 1000, MeasureUnit.KILOWATT);
    card.computed("Frequency", s.ratedHertz(), MeasureUnit.HERTZ_UNIT);
    if (s.backVoltsPerThousandRpm() > 0) {
      card.computed("N·m per ampere by voltage", s.torqueConstantFromBackVolts(), MeasureUnit.ONE);
    }
    card.computed("Link, infeed 400 V", LinkVoltage.regulatedVolts(400), MeasureUnit.VOLT_UNIT);
  }

  private static Edit plate(Motor motor, String what, Plate next) {
    return Edits.plate(motor.id(), "plate " + what, next);
  }
}
