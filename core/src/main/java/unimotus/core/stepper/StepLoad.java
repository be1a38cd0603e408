package unimotus.core.stepper;

/**
 * What a step motor turns, at its shaft.
 *
 * @param rotorKgM2 inertia of its rotor, over 0
 * @param loadKgM2 inertia of what it turns, 0 or more
 * @param frictionNewtonMetres dry friction, 0 or more
 * @param weightNewtonMetres torque of what is suspended, positive where forward lifts it
 * @param perRpm torque of viscous drag at 1 rpm of the shaft, 0 or more
 * @param perRpm2 torque of fans and pumps at 1 rpm of the shaft, 0 or more
 */
public record StepLoad(
    double rotorKgM2,
    double loadKgM2,
    double frictionNewtonMetres,
    double weightNewtonMetres,
    double perRpm,
    double perRpm2) {
  /** Checks the numbers. */
  public StepLoad {
    if (!(rotorKgM2 > 0) || !(loadKgM2 >= 0) || !(frictionNewtonMetres >= 0)) {
      throw new IllegalArgumentException(
          "load: inertia of the rotor must be over 0, of the load and friction 0 or more, not %s, %s, %s"
              .formatted(rotorKgM2, loadKgM2, frictionNewtonMetres));
    }
    if (!(perRpm >= 0) || !(perRpm2 >= 0)) {
      throw new IllegalArgumentException(
          "load: torque that grows with the speed must be 0 or more, not %s and %s"
              .formatted(perRpm, perRpm2));
    }
  }

  /** A load that does not grow with the speed. */
  public StepLoad(
      double rotorKgM2, double loadKgM2, double frictionNewtonMetres, double weightNewtonMetres) {
    this(rotorKgM2, loadKgM2, frictionNewtonMetres, weightNewtonMetres, 0, 0);
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
   * @param rpm speed of the shaft, its sign not being looked at
   */
  public double torque(double radiansPerSecond2, double direction, double rpm) {
    double n = Math.abs(rpm);
    double against = frictionNewtonMetres + n * (perRpm + n * perRpm2);
    return inertiaKgM2() * radiansPerSecond2
        + Math.signum(direction) * against
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
