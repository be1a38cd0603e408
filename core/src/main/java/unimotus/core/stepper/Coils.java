package unimotus.core.stepper;

import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.CoilConnection;
import unimotus.core.sheet.StepperPlate;

/**
 * The coils of a step motor as they are connected.
 *
 * @param connection how
 * @param amperes rated current of a phase
 * @param ohms of a phase
 * @param henries of a phase
 * @param stepsPerTurn full steps a turn
 */
public record Coils(
    CoilConnection connection, double amperes, double ohms, double henries, int stepsPerTurn) {
  private static final String PRACTICE = "common practice";

  /**
   * Coils of a motor.
   *
   * @throws IllegalArgumentException where its leads do not allow that connection
   */
  public static Coils of(StepperPlate plate, CoilConnection connection) {
    if (!CoilConnection.of(plate.leads()).contains(connection)) {
      throw new IllegalArgumentException(
          "a motor with %d leads is not connected as %s"
              .formatted(plate.leads(), connection.label()));
    }
    return new Coils(
        connection,
        plate.ratedAmperes() * connection.current(),
        plate.windingOhms() * connection.resistance(),
        plate.windingHenries() * connection.inductance(),
        plate.stepsPerTurn());
  }

  /** Voltage that holds the rated current at rest: U = I·R. */
  public double volts() {
    return amperes * ohms;
  }

  /** Time constant of the current, in seconds: τ = L/R. */
  public double timeConstant() {
    return henries / ohms;
  }

  /** Heat of both phases at rest at a share of the rated current, in watts: P = 2·I²·R. */
  public double restWatts(double share) {
    return 2 * amperes * share * amperes * share * ohms;
  }

  /**
   * Full steps a second at which the supply can no longer bring the current up within a step: f =
   * U/(2·L·I) (common practice). Beyond it the torque falls with 1/f.
   */
  public double cornerStepsPerSecond(double supplyVolts) {
    return supplyVolts / (2 * henries * amperes);
  }

  /** Speed of the shaft there, in turns a minute. */
  public double cornerRpm(double supplyVolts) {
    return cornerStepsPerSecond(supplyVolts) / stepsPerTurn * 60;
  }

  /** How the speed at which the torque falls was found. */
  public Derivation cornerSum(double supplyVolts) {
    double steps = cornerStepsPerSecond(supplyVolts);
    return Derivation.of(
            new Step(
                "full steps a second",
                "f = U/(2·L·I)",
                "%s/(2·%s·%s)".formatted(number(supplyVolts), number(henries), number(amperes)),
                steps,
                MeasureUnit.HERTZ_UNIT,
                PRACTICE))
        .then(
            new Step(
                "speed of the shaft",
                "n = f/steps a turn·60",
                "%s/%d·60".formatted(number(steps), stepsPerTurn),
                cornerRpm(supplyVolts),
                MeasureUnit.RPM,
                "counting"));
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}
