package unimotus.core.motion;

import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Load;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.MotionDesign;

/**
 * The load as the motor shaft feels it: T = T₀ + k₁·|n| + k₂·n², n in motor revolutions per minute,
 * always against the motion.
 *
 * @param inertiaKgM2 rotor and load together at the motor shaft
 * @param constantNewtonMetres T₀
 * @param linearNewtonMetresPerRpm k₁
 * @param quadraticNewtonMetresPerRpm2 k₂
 */
public record ShaftLoad(
    double inertiaKgM2,
    double constantNewtonMetres,
    double linearNewtonMetresPerRpm,
    double quadraticNewtonMetresPerRpm2) {

  /** The load of an axis, motor rotor and what hangs on it included. */
  public static ShaftLoad of(AxisAssembly axis) {
    Mechanics mechanics = axis.axis().mechanics();
    MotionDesign motion = axis.axis().motion();
    double hanging = motion == null ? 0 : motion.transmission().hangingKgM2(mechanics);
    return of(axis.axis().load(), mechanics, axis.motor().plate().inertiaKgM2() + hanging);
  }

  /**
   * Reflects a load through the gear: torque by i·η, speed by i, inertia by i². The gear's losses
   * are counted in motoring, the usual simplification (common practice).
   */
  public static ShaftLoad of(Load load, Mechanics mechanics, double rotorKgM2) {
    double ratio = mechanics.gearRatio();
    double torque = 1 / (ratio * load.gearEfficiency());
    return new ShaftLoad(
        rotorKgM2 + RampFormulas.reflectedInertiaKgM2(load.inertiaKgM2(), ratio),
        load.constantNewtonMetres() * torque,
        load.linearNewtonMetresPerRpm() * torque / ratio,
        load.quadraticNewtonMetresPerRpm2() * torque / (ratio * ratio));
  }

  /** Torque against the motion at a speed, not negative, in newton metres. */
  public double torqueNewtonMetres(double shaftRpm) {
    double n = Math.abs(shaftRpm);
    return constantNewtonMetres + n * (linearNewtonMetresPerRpm + n * quadraticNewtonMetresPerRpm2);
  }
}
