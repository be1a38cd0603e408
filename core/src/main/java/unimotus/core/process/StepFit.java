package unimotus.core.process;

import java.util.Arrays;

/**
 * First order with dead time from a recorded step: τ = 1.5·(t₆₃ − t₂₈), θ = t₆₃ − τ.
 *
 * @param model gain in the unit of the value for each unit of speed
 * @param rises whether more speed raises the value
 */
public record StepFit(StepModel model, boolean rises) {
  private static final double SHARE_28 = 1 - Math.exp(-1.0 / 3);
  private static final double SHARE_63 = 1 - Math.exp(-1);
  private static final double TAIL = 0.1;
  private static final double STILL = 0.05;
  private static final int LEAST = 20;

  /**
   * Reads a step.
   *
   * @param seconds rising times
   * @param values recorded at them
   * @param stepAt when the speed was stepped; some of the record lies before it
   * @param step by how much, not 0
   * @throws IllegalArgumentException where no step can be read out of it
   */
  public static StepFit of(double[] seconds, double[] values, double stepAt, double step) {
    check(seconds, values, stepAt, step);
    int begin = first(seconds, stepAt);
    int tail = Math.max(1, (int) (TAIL * (seconds.length - begin)));
    double from = Arrays.stream(values, 0, begin).average().orElseThrow();
    double to = Arrays.stream(values, values.length - tail, values.length).average().orElseThrow();
    double earlier =
        Arrays.stream(values, values.length - 2 * tail, values.length - tail)
            .average()
            .orElseThrow();
    double change = to - from;
    if (change == 0 || Math.abs(to - earlier) > STILL * Math.abs(change)) {
      throw new IllegalArgumentException(
          change == 0
              ? "recorded step: the value did not change"
              : "recorded step: the value still goes from %.4g to %.4g at its end; record for longer"
                  .formatted(earlier, to));
    }
    double at28 = passes(seconds, values, begin, from + SHARE_28 * change, change) - stepAt;
    double at63 = passes(seconds, values, begin, from + SHARE_63 * change, change) - stepAt;
    double lag = 1.5 * (at63 - at28);
    double resolution = (seconds[seconds.length - 1] - stepAt) / (seconds.length - begin);
    return new StepFit(
        StepModel.firstOrder(
            Math.abs(change / step), Math.max(resolution, lag), Math.max(resolution, at63 - lag)),
        change / step > 0);
  }

  private static void check(double[] seconds, double[] values, double stepAt, double step) {
    if (seconds.length != values.length || seconds.length < LEAST) {
      throw new IllegalArgumentException(
          "recorded step: %d times and %d values; as many of both are needed, %d at least"
              .formatted(seconds.length, values.length, LEAST));
    }
    for (int i = 0; i < seconds.length; i++) {
      if (!Double.isFinite(values[i]) || (i > 0 && !(seconds[i] > seconds[i - 1]))) {
        throw new IllegalArgumentException(
            "recorded step: the times must rise and the values be numbers, row %d has %s s and %s"
                .formatted(i + 1, seconds[i], values[i]));
      }
    }
    if (!(stepAt > seconds[0] && stepAt < seconds[seconds.length - 1])) {
      throw new IllegalArgumentException(
          "recorded step: it must lie within the record of %s to %s s, not at %s s"
              .formatted(seconds[0], seconds[seconds.length - 1], stepAt));
    }
    if (step == 0 || !Double.isFinite(step)) {
      throw new IllegalArgumentException("recorded step: it must not be 0, not " + step);
    }
  }

  private static int first(double[] seconds, double at) {
    int i = 0;
    while (seconds[i] < at) {
      i++;
    }
    return i;
  }

  /** When a value is passed on the way of a change. */
  private static double passes(
      double[] seconds, double[] values, int begin, double value, double change) {
    for (int i = begin; i < values.length; i++) {
      if ((values[i] - value) * Math.signum(change) >= 0) {
        double before = values[i - 1];
        double share = values[i] == before ? 1 : (value - before) / (values[i] - before);
        return seconds[i - 1] + Math.max(0, Math.min(1, share)) * (seconds[i] - seconds[i - 1]);
      }
    }
    throw new IllegalArgumentException(
        "recorded step: %.4g is never passed; record for longer".formatted(value));
  }
}
