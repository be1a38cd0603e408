package unimotus.core.machine;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * What the gear's output has to turn.
 *
 * <p>Load torque at n output revolutions per minute, always against the motion: T = T₀ + k₁·|n| +
 * k₂·n².
 *
 * @param inertiaKgM2 moment of inertia at the gear's output
 * @param constantNewtonMetres T₀, dry friction and lifting-like load
 * @param linearNewtonMetresPerRpm k₁, viscous drag
 * @param quadraticNewtonMetresPerRpm2 k₂, fans and pumps
 * @param gearEfficiency η of the gear, over 0 to 1
 */
@RecordBuilder
public record Load(
    double inertiaKgM2,
    double constantNewtonMetres,
    double linearNewtonMetresPerRpm,
    double quadraticNewtonMetresPerRpm2,
    double gearEfficiency)
    implements LoadBuilder.With {
  /** No load at all: an uncoupled motor. */
  public static final Load NONE = new Load(0, 0, 0, 0, 1);

  /** Checks that nothing is negative and the efficiency possible. */
  public Load {
    notNegative("inertia", inertiaKgM2);
    notNegative("constant torque", constantNewtonMetres);
    notNegative("linear torque", linearNewtonMetresPerRpm);
    notNegative("quadratic torque", quadraticNewtonMetresPerRpm2);
    if (!(gearEfficiency > 0 && gearEfficiency <= 1)) {
      throw new IllegalArgumentException(
          "load: gear efficiency must be over 0 to 1, not " + gearEfficiency);
    }
  }

  /** This load with another moment of inertia. */
  public Load withInertia(double next) {
    return withInertiaKgM2(next);
  }

  /** This load with another constant torque. */
  public Load withConstantTorque(double next) {
    return withConstantNewtonMetres(next);
  }

  /** This load with another linear torque. */
  public Load withLinearTorque(double next) {
    return withLinearNewtonMetresPerRpm(next);
  }

  /** This load with another quadratic torque. */
  public Load withQuadraticTorque(double next) {
    return withQuadraticNewtonMetresPerRpm2(next);
  }

  private static void notNegative(String name, double value) {
    if (!(value >= 0 && value < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException(
          "load: %s must not be negative, but is %s".formatted(name, value));
    }
  }
}
