package unimotus.core.stepper;

/**
 * What a step motor turns, at its shaft.
 *
 * @param rotorKgM2 inertia of its rotor, over 0
 * @param loadKgM2 inertia of what it turns, 0 or more
 * @param frictionNewtonMetres dry friction, 0 or more
 * @param weightNewtonMetres torque of what is suspended, positive where forward lifts it
 */
public record StepLoad(
    double rotorKgM2, double loadKgM2, double frictionNewtonMetres, double weightNewtonMetres) {
  /** Checks the numbers. */
  public StepLoad {
    if (!(rotorKgM2 > 0) || !(loadKgM2 >= 0) || !(frictionNewtonMetres >= 0)) {
      throw new IllegalArgumentException(
          "load: inertia of the rotor must be over 0, of the load and friction 0 or more, not %s, %s, %s"
              .formatted(rotorKgM2, loadKgM2, frictionNewtonMetres));
    }
  }

  /** Inertia of both. */
  public double inertiaKgM2() {
    return rotorKgM2 + loadKgM2;
  }

  /**
   * Torque needed.
   *
   * @param radiansPerSecond2 acceleration of the shaft
   * @param direction sign of the speed; at rest that of what is to come
   */
  public double torque(double radiansPerSecond2, double direction) {
    return inertiaKgM2() * radiansPerSecond2
        + Math.signum(direction) * frictionNewtonMetres
        + weightNewtonMetres;
  }

  /**
   * Rate at which the motor starts at once with this load, from that of the bare motor: f = f₀/√(1
   * + J_L/J_R) (common practice).
   */
  public double startRate(double bareStepsPerSecond) {
    return bareStepsPerSecond / Math.sqrt(1 + loadKgM2 / rotorKgM2);
  }
}
