package unimotus.core.sheet;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * The plate of a three-phase induction motor, for the connection in use.
 *
 * @param powerWatts rated shaft power
 * @param voltageVolts rated line-to-line voltage
 * @param currentAmperes rated line current
 * @param frequencyHertz rated frequency
 * @param speedRpm rated speed under load, below synchronous
 * @param powerFactor cos φ at rated load, over 0 to 1
 * @param serviceFactor allowed continuous overload, 1 where the plate gives none
 * @param inertiaKgM2 moment of inertia of the rotor
 */
@RecordBuilder
public record InductionPlate(
    double powerWatts,
    double voltageVolts,
    double currentAmperes,
    double frequencyHertz,
    double speedRpm,
    double powerFactor,
    double serviceFactor,
    double inertiaKgM2)
    implements MotorPlate, InductionPlateBuilder.With {

  /** Refuses what no plate can say; what is merely doubtful is left to the checks. */
  public InductionPlate {
    positive("power", powerWatts);
    positive("voltage", voltageVolts);
    positive("current", currentAmperes);
    positive("frequency", frequencyHertz);
    positive("speed", speedRpm);
    positive("inertia", inertiaKgM2);
    if (!(powerFactor > 0 && powerFactor <= 1)) {
      throw new IllegalArgumentException(
          "motor plate: power factor must be over 0 to 1, not " + powerFactor);
    }
    if (!(serviceFactor >= 1 && serviceFactor <= 2)) {
      throw new IllegalArgumentException(
          "motor plate: service factor must be 1 to 2, not " + serviceFactor);
    }
  }

  @Override
  public MotorKind kind() {
    return MotorKind.INDUCTION;
  }

  /** This plate with another power. */
  public InductionPlate withPower(double next) {
    return withPowerWatts(next);
  }

  /** This plate with another voltage. */
  public InductionPlate withVoltage(double next) {
    return withVoltageVolts(next);
  }

  /** This plate with another current. */
  public InductionPlate withCurrent(double next) {
    return withCurrentAmperes(next);
  }

  /** This plate with another frequency. */
  public InductionPlate withFrequency(double next) {
    return withFrequencyHertz(next);
  }

  /** This plate with another speed. */
  public InductionPlate withSpeed(double next) {
    return withSpeedRpm(next);
  }

  /** This plate with another rotor inertia. */
  public InductionPlate withInertia(double next) {
    return withInertiaKgM2(next);
  }

  private static void positive(String name, double value) {
    if (!(value > 0 && value < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException(
          "motor plate: %s must be positive, not %s".formatted(name, value));
    }
  }
}
