package unimotus.core.motion;

/** Accelerating torque, ramp time and coasting, from Newton's second law for rotation. */
public final class RampFormulas {
  /** A ramp ends in the tick that leaves no more than rounding of a step. */
  public static final double LAST_STEP = 1 + 1e-6;

  private static final double RADIANS_PER_SECOND_PER_RPM = 2 * Math.PI / 60;
  private static final double RPM_PER_RADIAN_PER_SECOND = 60 / (2 * Math.PI);

  private RampFormulas() {}

  /** ω = 2π·n/60 in radians per second. */
  public static double radiansPerSecond(double rpm) {
    return rpm * RADIANS_PER_SECOND_PER_RPM;
  }

  /** n = 60·ω/2π in revolutions per minute. */
  public static double rpm(double radiansPerSecond) {
    return radiansPerSecond * RPM_PER_RADIAN_PER_SECOND;
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
   * t = ∫ J·dω/(T₀ + k₁·ω + k₂·ω²) in seconds: coast from one speed to a lower one under constant,
   * linear and quadratic load, by the closed forms of the integral.
   *
   * @return infinity where nothing brakes at the lower speed
   */
  public static double coastSeconds(ShaftLoad load, double fromRpm, double toRpm) {
    double a = radiansPerSecond(toRpm);
    double b = radiansPerSecond(fromRpm);
    double t0 = load.constantNewtonMetres();
    double k1 = load.linearNewtonMetresPerRpm() * rpm(1);
    double k2 = load.quadraticNewtonMetresPerRpm2() * rpm(1) * rpm(1);
    return b <= a
        ? 0
        : load.inertiaKgM2() * (k2 == 0 ? straight(t0, k1, a, b) : curved(t0, k1, k2, a, b));
  }

  private static double straight(double t0, double k1, double a, double b) {
    return k1 == 0 ? (b - a) / t0 : Math.log((t0 + k1 * b) / (t0 + k1 * a)) / k1;
  }

  /** ∫ dω/(T₀ + k₁ω + k₂ω²) by the sign of the discriminant 4·T₀·k₂ − k₁². */
  private static double curved(double t0, double k1, double k2, double a, double b) {
    double discriminant = 4 * t0 * k2 - k1 * k1;
    if (discriminant > 0) {
      double root = Math.sqrt(discriminant);
      return 2 / root * (Math.atan((2 * k2 * b + k1) / root) - Math.atan((2 * k2 * a + k1) / root));
    }
    if (discriminant == 0) {
      return 2 / (2 * k2 * a + k1) - 2 / (2 * k2 * b + k1);
    }
    double root = Math.sqrt(-discriminant);
    return (logarithm(k1, k2, root, b) - logarithm(k1, k2, root, a)) / root;
  }

  private static double logarithm(double k1, double k2, double root, double omega) {
    return Math.log((2 * k2 * omega + k1 - root) / (2 * k2 * omega + k1 + root));
  }

  /**
   * Turns made while coasting to standstill under constant friction, ω²·J/(2·T_f)/2π: half the
   * starting speed times the coast time.
   */
  public static double coastTurns(double inertiaKgM2, double rpm, double frictionNewtonMetres) {
    return rpm / 60 * coastSeconds(inertiaKgM2, rpm, frictionNewtonMetres) / 2;
  }

  /**
   * Turns made while coasting from one speed to a lower one, J·∫ ω·dω/(T₀ + k₁·ω + k₂·ω²)/2π, by
   * the closed forms of the integral.
   *
   * @return infinity where nothing brakes
   */
  public static double coastTurns(ShaftLoad load, double fromRpm, double toRpm) {
    double a = radiansPerSecond(toRpm);
    double b = radiansPerSecond(fromRpm);
    double t0 = load.constantNewtonMetres();
    double k1 = load.linearNewtonMetresPerRpm() * rpm(1);
    double k2 = load.quadraticNewtonMetresPerRpm2() * rpm(1) * rpm(1);
    double radiansPerInertia;
    if (b <= a) {
      radiansPerInertia = 0;
    } else if (k2 > 0) {
      double logarithm = Math.log((t0 + b * (k1 + b * k2)) / (t0 + a * (k1 + a * k2))) / (2 * k2);
      radiansPerInertia =
          k1 == 0 ? logarithm : logarithm - k1 / (2 * k2) * curved(t0, k1, k2, a, b);
    } else if (k1 > 0) {
      radiansPerInertia =
          (b - a) / k1 - (t0 == 0 ? 0 : t0 / (k1 * k1) * Math.log((t0 + k1 * b) / (t0 + k1 * a)));
    } else {
      radiansPerInertia = (b * b - a * a) / (2 * t0);
    }
    return load.inertiaKgM2() * radiansPerInertia / (2 * Math.PI);
  }

  /** E = ½·J·ω² in joules. */
  public static double kineticJoules(double inertiaKgM2, double rpm) {
    double omega = radiansPerSecond(rpm);
    return inertiaKgM2 * omega * omega / 2;
  }

  /** J_m = J/i² in kg·m²: an inertia behind a gear, seen from the motor shaft. */
  public static double reflectedInertiaKgM2(double inertiaKgM2, double gearRatio) {
    return inertiaKgM2 / (gearRatio * gearRatio);
  }
}
