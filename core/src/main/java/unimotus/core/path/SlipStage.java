package unimotus.core.path;

import static unimotus.core.path.Numbers.text;

import unimotus.core.derivation.Step;
import unimotus.core.motion.ShaftLoad;
import unimotus.core.quantity.MeasureUnit;

/**
 * The shaft lags the field by the slip its load asks for: n = n_s − n_slip·T(n)/T_n.
 *
 * <p>Below pull-out the slip speed of an induction motor on a drive is proportional to torque and
 * independent of frequency (common practice). With T = T₀ + k₁n + k₂n² the equation is a quadratic
 * in n and solved in closed form. With slip compensation the drive raises the field by the slip, so
 * shaft and reference agree.
 *
 * @param ratedSlipRpm n_slip, slip speed at rated torque
 * @param ratedTorqueNewtonMetres T_n
 * @param load load at the motor shaft
 * @param compensated whether the drive compensates the slip
 */
public record SlipStage(
    double ratedSlipRpm, double ratedTorqueNewtonMetres, ShaftLoad load, boolean compensated)
    implements Stage {

  @Override
  public Station from() {
    return Station.SYNCHRONOUS;
  }

  @Override
  public Station to() {
    return Station.SHAFT;
  }

  @Override
  public MeasureUnit unit() {
    return MeasureUnit.RPM;
  }

  @Override
  public double forward(double synchronousRpm) {
    if (compensated) {
      return synchronousRpm;
    }
    return Math.signum(synchronousRpm) * shaftBelow(Math.abs(synchronousRpm));
  }

  /**
   * Solves k·k₂·n² + (1 + k·k₁)·n + (k·T₀ − n_s) = 0 for its positive root; 0 where the load stalls
   * it.
   */
  private double shaftBelow(double synchronousRpm) {
    double k = slipRpmPerNewtonMetre();
    double c = k * load.constantNewtonMetres() - synchronousRpm;
    if (c >= 0) {
      return 0;
    }
    double a = k * load.quadraticNewtonMetresPerRpm2();
    double b = 1 + k * load.linearNewtonMetresPerRpm();
    return -2 * c / (b + Math.sqrt(b * b - 4 * a * c));
  }

  @Override
  public double inverse(double shaftRpm) {
    if (compensated || shaftRpm == 0) {
      return shaftRpm;
    }
    return shaftRpm + Math.signum(shaftRpm) * slipRpm(shaftRpm);
  }

  @Override
  public String origin() {
    return compensated
        ? "drive compensates slip"
        : "motor plate: %s at %s; load of the axis"
            .formatted(
                text(ratedSlipRpm, unit()),
                text(ratedTorqueNewtonMetres, MeasureUnit.NEWTON_METRE));
  }

  @Override
  public Step sum(double in, double out) {
    if (compensated) {
      return new Step("shaft speed", "n_s", text(in), out, unit(), origin());
    }
    double torque = out == 0 ? 0 : load.torqueNewtonMetres(out);
    return new Step(
        "shaft speed",
        "n_s − n_slip·T/T_n",
        "%s − %s·%s/%s"
            .formatted(text(in), text(ratedSlipRpm), text(torque), text(ratedTorqueNewtonMetres)),
        out,
        unit(),
        "common practice; " + origin());
  }

  private double slipRpm(double shaftRpm) {
    return slipRpmPerNewtonMetre() * load.torqueNewtonMetres(shaftRpm);
  }

  private double slipRpmPerNewtonMetre() {
    return ratedSlipRpm / ratedTorqueNewtonMetres;
  }
}
