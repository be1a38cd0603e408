package unimotus.core.process;

/**
 * A process as a recorded step shows it: it goes to where the speed leads it with one lag, after a
 * dead time. Also the pressure of an air duct, and a temperature.
 */
public final class FirstOrder implements Process {
  private final double gain;
  private final double lagSeconds;
  private final double rest;
  private final double demandGain;
  private final double[] late;
  private final double tick;
  private int next;
  private double value;

  /**
   * A process.
   *
   * @param gain of its unit for each hertz; negative where speed lowers it, not 0
   * @param lagSeconds over 0
   * @param deadSeconds before it begins to answer, 0 or more
   * @param rest where it is at 0 Hz without demand
   * @param demandGain of its unit for each unit of demand
   * @param tick seconds it is advanced by each time, over 0
   */
  public FirstOrder(
      double gain,
      double lagSeconds,
      double deadSeconds,
      double rest,
      double demandGain,
      double tick) {
    if (gain == 0 || !Double.isFinite(gain)) {
      throw new IllegalArgumentException("process: the gain must not be 0, not " + gain);
    }
    if (!(lagSeconds > 0 && deadSeconds >= 0 && tick > 0)
        || Double.isInfinite(lagSeconds + deadSeconds)) {
      throw new IllegalArgumentException(
          "process: the lag must be over 0 s and the dead time 0 or more, not %s and %s s"
              .formatted(lagSeconds, deadSeconds));
    }
    this.gain = gain;
    this.lagSeconds = lagSeconds;
    this.rest = rest;
    this.demandGain = demandGain;
    this.tick = tick;
    this.late = new double[(int) Math.round(deadSeconds / tick)];
    this.value = rest;
  }

  @Override
  public double value() {
    return value;
  }

  @Override
  public void advance(double hertz, double demand, double seconds) {
    if (seconds != tick) {
      throw new IllegalArgumentException(
          "process: it is advanced by %s s each time, not %s s".formatted(tick, seconds));
    }
    double acting = hertz;
    if (late.length > 0) {
      acting = late[next];
      late[next] = hertz;
      next = (next + 1) % late.length;
    }
    double leadsTo = rest + gain * acting + demandGain * demand;
    value += -Math.expm1(-seconds / lagSeconds) * (leadsTo - value);
  }
}
