package unimotus.desktop.identify;

import unimotus.core.machine.Motor;
import unimotus.core.motor.MotorFormulas;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.MotorPlate;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.sheet.StepperPlate;
import unimotus.desktop.Desk;
import unimotus.workbench.Edit;
import unimotus.workbench.Edits;

/** What a motor's plate says. */
public final class MotorCard {
  private MotorCard() {}

  /** The card of a motor. */
  public static FieldCard of(Desk desk, Motor motor) {
    FieldCard card = new FieldCard(desk, "Motor plate", motor.name());
    MotorPlate plate = motor.plate();
    if (plate instanceof InductionPlate induction) {
      induction(card, motor, induction);
    } else if (plate instanceof ServoPlate servo) {
      ServoFields.fill(card, motor, servo);
    } else if (plate instanceof StepperPlate stepper) {
      StepperFields.fill(desk, card, motor, stepper);
    }
    return card;
  }

  private static void induction(FieldCard card, Motor motor, InductionPlate p) {
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
  }

  private static Edit plate(Motor motor, String what, InductionPlate next) {
    return Edits.plate(motor.id(), "plate " + what, next);
  }
}
