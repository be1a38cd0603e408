package unimotus.core.servo;

import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/**
 * Gains for a load, by the symmetrical optimum: with a lag T before the torque is there, the
 * velocity loop crosses at 1/(a·T), its integral time is a²·T, and Kv is a quarter of the crossing
 * (a = 2 quick, 4 medium, 8 calm). On an elastic coupling the crossing stays under half of the
 * frequency at which the load swings on a motor that is held (common practice).
 *
 * @param dynamics how quick
 * @param gains the gains
 * @param crossing radians a second at which the velocity loop crosses
 * @param sum how they come about
 */
public record GainProposal(Dynamics dynamics, LoopGains gains, double crossing, Derivation sum) {
  private static final String SOURCE = "symmetrical optimum; Kv ¼ of it, common practice";

  /** A set-point waits half a tick, a measured speed is half a tick old, the sum takes one. */
  private static final double TICKS_OF_LAG = 1.5;

  private static final double OF_ANTI_RESONANCE = 0.5;
  private static final double OF_CROSSING = 0.25;

  /**
   * Proposes gains.
   *
   * @param lagSeconds of the current loop, over 0
   * @param tickSeconds of the loops, over 0
   */
  public static GainProposal of(
      Dynamics dynamics, ServoLoad load, double lagSeconds, double tickSeconds) {
    double lag = lagSeconds + TICKS_OF_LAG * tickSeconds;
    double free = 1 / (dynamics.slower() * lag);
    double bound =
        load.antiResonance() * OF_ANTI_RESONANCE * Dynamics.QUICK.slower() / dynamics.slower();
    double crossing = Math.min(free, bound);
    double velocity = load.inertiaKgM2() * crossing;
    double integral = dynamics.slower() / crossing;
    double position = crossing * OF_CROSSING;
    return new GainProposal(
        dynamics,
        new LoopGains(position, velocity, integral, 0),
        crossing,
        sum(load, lag, dynamics, crossing, free > bound));
  }

  private static Derivation sum(
      ServoLoad load, double lag, Dynamics dynamics, double crossing, boolean elastic) {
    Step first =
        elastic
            ? new Step(
                "crossing",
                "ω = ½·√(c/J_L)·2/a",
                "½·%s·2/%s".formatted(number(load.antiResonance()), number(dynamics.slower())),
                crossing,
                MeasureUnit.RADIANS_PER_SECOND,
                "common practice")
            : new Step(
                "crossing",
                "ω = 1/(a·T)",
                "1/(%s·%s s)".formatted(number(dynamics.slower()), number(lag)),
                crossing,
                MeasureUnit.RADIANS_PER_SECOND,
                SOURCE);
    return Derivation.of(
        first,
        new Step(
            "velocity gain, N·m·s",
            "J·ω",
            "%s·%s".formatted(number(load.inertiaKgM2()), number(crossing)),
            load.inertiaKgM2() * crossing,
            MeasureUnit.ONE,
            SOURCE),
        new Step(
            "integral time",
            "a/ω",
            "%s/%s".formatted(number(dynamics.slower()), number(crossing)),
            dynamics.slower() / crossing,
            MeasureUnit.SECOND_UNIT,
            SOURCE),
        new Step(
            "Kv, 1/s",
            "ω/4",
            "%s/4".formatted(number(crossing)),
            crossing * OF_CROSSING,
            MeasureUnit.ONE,
            SOURCE));
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}
