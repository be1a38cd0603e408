package unimotus.core.process;

import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/**
 * Gain and integral time for a process.
 *
 * @param gain of the speed for each unit of the feedback, over 0
 * @param integralSeconds over 0
 */
public record LoopTuning(StepModel model, double gain, double integralSeconds) {
  private static final String SIMC =
      "S. Skogestad, Simple analytic rules for model reduction and PID controller tuning, 2003";
  private static final double SETTLED = 0.02;
  private static final double MOST_TICKS = 1e6;

  /** Checks the numbers. */
  public LoopTuning {
    if (!(gain > 0 && integralSeconds > 0) || Double.isInfinite(gain)) {
      throw new IllegalArgumentException(
          "loop: gain and integral time must be over 0, not %s and %s s"
              .formatted(gain, integralSeconds));
    }
  }

  /**
   * By the SIMC rule: Kc = τ/(g·(τc + θ)), Ti = min(τ, 4(τc + θ)); where it integrates Kc =
   * 1/(g·(τc + θ)), Ti = 4(τc + θ).
   */
  public static LoopTuning of(StepModel model, Pace pace) {
    return of(model, pace.times());
  }

  /**
   * The same for a closed loop of any pace.
   *
   * @param times its time constant over the dead time, over 0
   */
  public static LoopTuning of(StepModel model, double times) {
    double closed = (times + 1) * model.deadSeconds();
    double slowest = 4 * closed;
    return model.isIntegrating()
        ? new LoopTuning(model, 1 / (model.gain() * closed), slowest)
        : new LoopTuning(
            model,
            model.lagSeconds() / (model.gain() * closed),
            Math.min(model.lagSeconds(), slowest));
  }

  /** How far the loop is from swinging on. */
  public LoopMargins margins() {
    return LoopMargins.of(this);
  }

  double magnitude(double omega) {
    return gain * Math.hypot(1, 1 / (omega * integralSeconds)) * model.magnitude(omega);
  }

  double phase(double omega) {
    return Math.atan(omega * integralSeconds) - Math.PI / 2 + model.phase(omega);
  }

  /**
   * How the feedback goes to a new set-point, with no limit in the way.
   *
   * @param overshoot share of the step, 0 where it never goes beyond
   * @param settlingSeconds after which it stays within 2 % of the step; infinite where it does not
   */
  public record Response(double overshoot, double settlingSeconds) {}

  /** Steps the set-point, in ticks of a two-hundredth of the dead time where that ends. */
  public Response response() {
    double dead = model.deadSeconds();
    double lag = model.isIntegrating() ? dead : model.lagSeconds();
    double span = 40 * (dead + Math.min(integralSeconds, 10 * lag));
    double tick = Math.max(dead / 200, span / MOST_TICKS);
    double[] late = new double[Math.max(1, (int) Math.round(dead / tick))];
    double value = 0;
    double integral = 0;
    double highest = 0;
    double outside = 0;
    for (int i = 0; i * tick < span; i++) {
      double error = 1 - value;
      double told = gain * error + integral;
      integral += gain * error * tick / integralSeconds;
      double acting = late[i % late.length];
      late[i % late.length] = told;
      value +=
          model.isIntegrating()
              ? model.gain() * acting * tick
              : -Math.expm1(-tick / model.lagSeconds()) * (model.gain() * acting - value);
      highest = Math.max(highest, value);
      outside = Math.abs(1 - value) > SETTLED ? (i + 1) * tick : outside;
    }
    boolean settles = outside < span * 0.98;
    return new Response(Math.max(0, highest - 1), settles ? outside : Double.POSITIVE_INFINITY);
  }

  /**
   * How it was found.
   *
   * @param times the closed loop's time constant over the dead time
   */
  public Derivation sum(double times) {
    String closed =
        "(%s·%s + %s)"
            .formatted(number(times), number(model.deadSeconds()), number(model.deadSeconds()));
    String top = model.isIntegrating() ? "1" : number(model.lagSeconds());
    return Derivation.of(
            new Step(
                "gain",
                model.isIntegrating() ? "1/(g·(τc + θ))" : "τ/(g·(τc + θ))",
                "%s/(%s·%s)".formatted(top, number(model.gain()), closed),
                gain,
                MeasureUnit.ONE,
                SIMC))
        .then(
            new Step(
                "integral time",
                model.isIntegrating() ? "4(τc + θ)" : "min(τ, 4(τc + θ))",
                model.isIntegrating() ? "4·" + closed : "min(%s, 4·%s)".formatted(top, closed),
                integralSeconds,
                MeasureUnit.SECOND_UNIT,
                SIMC));
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}
