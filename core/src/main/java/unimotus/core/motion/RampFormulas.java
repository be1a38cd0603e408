package unimotus.core.motion;

/** Accelerating torque, ramp time and coasting, from Newton's second law for rotation. */
public final class RampFormulas {
  private static final double RADIANS_PER_SECOND_PER_RPM = 2 * Math.PI / 60;

  private RampFormulas() {}

  /** ω = 2π·n/60 in radians per second. */
  public static double radiansPerSecond(double rpm) {
    return rpm * RADIANS_PER_SECOND_PER_RPM;
  }

  /** n = 60·ω/2π in revolutions per minute. */
  public static double rpm(double radiansPerSecond) {
    return radiansPerSecond / RADIANS_PER_SECOND_PER_RPM;
  }

  /** T = J·Δω/t in newton metres: torque to change speed by {@code rpm} in {@code seconds}. */
  public static double acceleratingTorqueNewtonMetres(
      double inertiaKgM2, double rpm, double seconds) {
    if (!(seconds > 0)) {
      throw new IllegalArgumentException("ramp time must be positive, not " + seconds + " s");
    }
    return inertiaKgM2 * radiansPerSecond(rpm) / seconds;
  }

  /** t = J·Δω/T in seconds: ramp time with a constant net torque. */
  public static double rampSeconds(double inertiaKgM2, double rpm, double netTorqueNewtonMetres) {
    if (!(netTorqueNewtonMetres > 0)) {
      throw new IllegalArgumentException(
          "net torque must be positive to change speed, not %s N·m"
              .formatted(netTorqueNewtonMetres));
    }
    return inertiaKgM2 * radiansPerSecond(rpm) / netTorqueNewtonMetres;
  }

  /** t = J·ω/T_f in seconds: coast to standstill under constant friction. */
  public static double coastSeconds(double inertiaKgM2, double rpm, double frictionNewtonMetres) {
    return rampSeconds(inertiaKgM2, rpm, frictionNewtonMetres);
  }

  /**
   * Turns made while coasting to standstill under constant friction, ω²·J/(2·T_f)/2π: half the
   * starting speed times the coast time.
   */
  public static double coastTurns(double inertiaKgM2, double rpm, double frictionNewtonMetres) {
    return rpm / 60 * coastSeconds(inertiaKgM2, rpm, frictionNewtonMetres) / 2;
  }

  /** J_m = J/i² in kg·m²: an inertia behind a gear, seen from the motor shaft. */
  public static double reflectedInertiaKgM2(double inertiaKgM2, double gearRatio) {
    return inertiaKgM2 / (gearRatio * gearRatio);
  }
}
