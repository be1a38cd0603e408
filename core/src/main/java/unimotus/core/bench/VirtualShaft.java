package unimotus.core.bench;

import unimotus.core.motion.RampFormulas;
import unimotus.core.motion.ShaftLoad;

/**
 * Motor shaft and load: J·dω/dt = T_m − T_load, with T_m = K·(ω_s − ω) up to the torque limit.
 *
 * <p>K is rated torque over rated slip. The stiff linear part is integrated exactly with its
 * exponential, the load by the midpoint rule: second order, stable at any inertia. Dry friction
 * holds a shaft that stands.
 */
final class VirtualShaft {
  private final double constant;
  private final double linear;
  private final double quadratic;
  private final double stiffness;
  // Divisions done once: a tick has no time for them.
  private final double slipPerTorque;
  private final double dtOverInertia;
  private final double limit;
  private final boolean compensated;
  private final double decay;
  private final double halfDecay;

  private double omega;
  private double torque;

  VirtualShaft(ShaftLoad load, double stiffness, double limit, boolean compensated, double dt) {
    double rpmPerOmega = RampFormulas.rpm(1);
    this.constant = load.constantNewtonMetres();
    this.linear = load.linearNewtonMetresPerRpm() * rpmPerOmega;
    this.quadratic = load.quadraticNewtonMetresPerRpm2() * rpmPerOmega * rpmPerOmega;
    this.stiffness = stiffness;
    this.slipPerTorque = 1 / stiffness;
    this.dtOverInertia = dt / load.inertiaKgM2();
    this.limit = limit;
    this.compensated = compensated;
    this.decay = Math.exp(-stiffness * dtOverInertia);
    this.halfDecay = Math.exp(-stiffness * dtOverInertia / 2);
  }

  double omega() {
    return omega;
  }

  /** Motor torque of the last tick. */
  double torque() {
    return torque;
  }

  void spinAt(double radiansPerSecond) {
    omega = radiansPerSecond;
  }

  /** One tick with torque off. */
  void coast() {
    torque = 0;
    push(0);
  }

  /** One tick with the field turning at {@code field} radians per second. */
  void drive(double field) {
    double effective =
        compensated ? field + Math.signum(field) * drag(omega) * slipPerTorque : field;
    double wanted = stiffness * (effective - omega);
    if (omega == 0 && Math.abs(wanted) <= constant) {
      torque = wanted;
      return;
    }
    if (Math.abs(wanted) > limit) {
      torque = Math.copySign(limit, wanted);
      push(torque);
      return;
    }
    pull(effective, wanted);
  }

  /** Constant torque, midpoint rule. */
  private void push(double constantTorque) {
    double way = omega != 0 ? Math.signum(omega) : Math.signum(constantTorque);
    if (way == 0 || (omega == 0 && Math.abs(constantTorque) <= constant)) {
      return;
    }
    double middle = omega + (constantTorque - way * drag(omega)) * dtOverInertia / 2;
    settle(omega + (constantTorque - way * drag(middle)) * dtOverInertia, way);
  }

  /** Slip torque towards the field: exact for a load that stands still over the tick. */
  private void pull(double field, double wanted) {
    double way = omega != 0 ? Math.signum(omega) : Math.signum(wanted);
    double rest = field - way * drag(omega) * slipPerTorque;
    double middle = rest + (omega - rest) * halfDecay;
    double end = field - way * drag(middle) * slipPerTorque;
    settle(end + (omega - end) * decay, way);
    torque = stiffness * (field - omega);
  }

  /** Friction stops a shaft; it does not turn it back. */
  private void settle(double next, double way) {
    omega = next * way < 0 && omega != 0 ? 0 : next;
  }

  private double drag(double speed) {
    double size = Math.abs(speed);
    return constant + size * (linear + size * quadratic);
  }
}
