package unimotus.core.bench;

import unimotus.core.motion.RampFormulas;
import unimotus.core.motion.ShaftLoad;
import unimotus.core.motor.MotorTorque;

/**
 * Motor shaft and load: J·dω/dt = T_m − T_load, with T_m = K·(ω_s − ω) up to the torque limit.
 *
 * <p>K and the limit are those of {@link MotorTorque}: rated torque over rated slip, less above the
 * plate's frequency. The stiff linear part is integrated exactly with its exponential, the load by
 * the midpoint rule: second order, stable at any inertia. Dry friction holds a shaft that stands.
 */
public final class VirtualShaft {
  /** So many rounds find the steady slip to a part in a million of it. */
  private static final int STEADY_STEPS = 20;

  private final MotorTorque motor;
  private final double constant;
  private final double linear;
  private final double quadratic;
  private final double dtOverInertia;
  private final boolean compensated;
  // What belongs to the full flux is reckoned once: a tick has no time for it.
  private final Flux full;

  private Flux flux;
  private double omega;
  private double torque;

  /**
   * What follows from the flux: slope, limit and the decay of a difference in speed over a tick.
   */
  private record Flux(
      double stiffness, double slipPerTorque, double limit, double decay, double halfDecay) {}

  /**
   * A shaft at standstill.
   *
   * @param dt length of a tick in seconds
   */
  public VirtualShaft(ShaftLoad load, MotorTorque motor, boolean compensated, double dt) {
    this.motor = motor;
    double rpmPerOmega = RampFormulas.rpm(1);
    this.constant = load.constantNewtonMetres();
    this.linear = load.linearNewtonMetresPerRpm() * rpmPerOmega;
    this.quadratic = load.quadraticNewtonMetresPerRpm2() * rpmPerOmega * rpmPerOmega;
    this.dtOverInertia = dt / load.inertiaKgM2();
    this.compensated = compensated;
    this.full = fluxAt(0);
    this.flux = full;
  }

  private Flux fluxAt(double field) {
    double stiffness = motor.stiffnessAt(field);
    return new Flux(
        stiffness,
        1 / stiffness,
        motor.mostAt(field),
        Math.exp(-stiffness * dtOverInertia),
        Math.exp(-stiffness * dtOverInertia / 2));
  }

  /** Speed in radians per second. */
  public double omega() {
    return omega;
  }

  /** Motor torque of the last tick. */
  double torque() {
    return torque;
  }

  /** Whether the motor gave all the torque there is in the last tick. */
  boolean isAtLimit() {
    return Math.abs(torque) >= flux.limit();
  }

  /** Sets the speed. */
  public void spinAt(double radiansPerSecond) {
    omega = radiansPerSecond;
  }

  /** Sets the speed at which the load takes just the torque that the slip gives. */
  public void followSteadily(double field) {
    flux = Math.abs(field) <= motor.nominalRadiansPerSecond() ? full : fluxAt(field);
    omega = field;
    for (int i = 0; i < STEADY_STEPS && !compensated; i++) {
      omega = field - Math.signum(field) * drag(omega) * flux.slipPerTorque();
    }
  }

  /** One tick with torque off. */
  public void coast() {
    torque = 0;
    push(0);
  }

  /** One tick with the field turning at {@code field} radians per second. */
  public void drive(double field) {
    flux = Math.abs(field) <= motor.nominalRadiansPerSecond() ? full : fluxAt(field);
    double effective =
        compensated ? field + Math.signum(field) * drag(omega) * flux.slipPerTorque() : field;
    double wanted = flux.stiffness() * (effective - omega);
    if (omega == 0 && Math.abs(wanted) <= constant) {
      torque = wanted;
      return;
    }
    if (Math.abs(wanted) > flux.limit()) {
      torque = Math.copySign(flux.limit(), wanted);
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
    double rest = field - way * drag(omega) * flux.slipPerTorque();
    double middle = rest + (omega - rest) * flux.halfDecay();
    double end = field - way * drag(middle) * flux.slipPerTorque();
    settle(end + (omega - end) * flux.decay(), way);
    torque = flux.stiffness() * (field - omega);
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
