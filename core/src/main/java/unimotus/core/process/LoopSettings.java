package unimotus.core.process;

import unimotus.core.quantity.QuantityFormat;

/**
 * A drive's own loop, as it is set.
 *
 * @param range what the feedback measures over its signal
 * @param setPoint in the unit of the range, within it
 * @param raises whether more speed raises the feedback; the drive's <em>direct</em> or inverse
 * @param gain percent of speed for each percent of the feedback's span, over 0
 * @param integralSeconds after which the integral part has given what the gain gave, over 0;
 *     infinite for none
 * @param filterSeconds time constant on the feedback, 0 or more
 * @param minimumHertz least output while the loop runs, 0 or more
 * @param ramp how fast the output may change
 * @param stopsAtRamp whether the integral part waits while the ramp holds the output back
 */
public record LoopSettings(
    ProcessRange range,
    double setPoint,
    boolean raises,
    double gain,
    double integralSeconds,
    double filterSeconds,
    double minimumHertz,
    OutputRamp ramp,
    boolean stopsAtRamp) {
  /** Checks the numbers. */
  public LoopSettings {
    if (!range.has(setPoint)) {
      throw new IllegalArgumentException(
          "set-point: must be %s to %s %s, not %s"
              .formatted(
                  number(range.low()), number(range.high()), range.unit(), number(setPoint)));
    }
    if (!(gain > 0) || Double.isInfinite(gain)) {
      throw new IllegalArgumentException("loop gain: must be over 0 %%/%%, not %s".formatted(gain));
    }
    if (!(integralSeconds > 0)) {
      throw new IllegalArgumentException(
          "integral time: must be over 0 s, not %s; none is infinite".formatted(integralSeconds));
    }
    if (!(filterSeconds >= 0) || Double.isInfinite(filterSeconds)) {
      throw new IllegalArgumentException("loop filter: must be 0 s or more, not " + filterSeconds);
    }
    if (!(minimumHertz >= 0 && minimumHertz <= ramp.maximumHertz())) {
      throw new IllegalArgumentException(
          "least output of the loop: must be 0 to the maximum of %s Hz, not %s Hz"
              .formatted(ramp.maximumHertz(), minimumHertz));
    }
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }

  /** How far a feedback is off, so that more than 0 asks for more speed; of the span. */
  public double error(double feedback) {
    return (raises ? setPoint - feedback : feedback - setPoint) / range.span();
  }

  /** The most the feedback can be off on the side that asks for more speed, in its unit. */
  public double mostDeviation() {
    double low = Math.min(range.low(), range.high());
    return raises ? setPoint - low : low + range.span() - setPoint;
  }

  /** The same loop with another set-point. */
  public LoopSettings at(double value) {
    return new LoopSettings(
        range,
        value,
        raises,
        gain,
        integralSeconds,
        filterSeconds,
        minimumHertz,
        ramp,
        stopsAtRamp);
  }
}
