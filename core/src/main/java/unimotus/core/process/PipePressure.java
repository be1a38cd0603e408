package unimotus.core.process;

/**
 * The pressure of a closed pipe with a vessel on it, in bar: fed by a pump, left by what is drawn.
 * A draw is a valve: it lets its demand through at the pressure it was set at, and less or more by
 * the square root of the pressure.
 */
public final class PipePressure implements Process {
  /** Metres of cold water to a bar: 1e5/(1000·9.80665). */
  public static final double METRES_A_BAR = 1e5 / (1000 * 9.80665);

  private static final double HOUR = 3600;
  private static final int HALVINGS = 60;

  private final PumpSystem pump;
  private final double litresPerBar;
  private final double drawnAtBar;
  private double bar;

  /**
   * A pipe.
   *
   * @param pump its static head without the pressure of the pipe
   * @param litresPerBar what the vessel takes up for each bar, over 0
   * @param drawnAtBar pressure at which the demand is told, over 0
   * @param bar at first, 0 or more
   */
  public PipePressure(PumpSystem pump, double litresPerBar, double drawnAtBar, double bar) {
    if (!(litresPerBar > 0 && drawnAtBar > 0) || Double.isInfinite(litresPerBar + drawnAtBar)) {
      throw new IllegalArgumentException(
          "pipe: vessel and pressure of the demand must be over 0, not %s l/bar and %s bar"
              .formatted(litresPerBar, drawnAtBar));
    }
    if (!(bar >= 0) || Double.isInfinite(bar)) {
      throw new IllegalArgumentException("pipe: the pressure must be 0 bar or more, not " + bar);
    }
    this.pump = pump;
    this.litresPerBar = litresPerBar;
    this.drawnAtBar = drawnAtBar;
    this.bar = bar;
  }

  @Override
  public double value() {
    return bar;
  }

  /** The pump's head for a pressure in the pipe. */
  static double metres(PumpSystem pump, double bar) {
    return pump.staticMetres() + bar * METRES_A_BAR;
  }

  private double net(double at, double hertz, double demand) {
    double in = pump.flow(hertz, metres(pump, at));
    double out = demand * Math.sqrt(at / drawnAtBar);
    return (in - out) * 1000 / HOUR / litresPerBar;
  }

  /**
   * By the pressure at the end of the while (backward Euler): what flows in falls and what flows
   * out rises with it, so that there is one such pressure, however small the vessel is.
   */
  @Override
  public void advance(double hertz, double demand, double seconds) {
    double rate = net(bar, hertz, demand);
    double low = rate < 0 ? Math.max(0, bar + rate * seconds) : bar;
    double high = rate < 0 ? bar : bar + rate * seconds;
    for (int i = 0; i < HALVINGS && high - low > 1e-12 * (1 + high); i++) {
      double middle = (low + high) / 2;
      if (middle - bar - seconds * net(middle, hertz, demand) > 0) {
        high = middle;
      } else {
        low = middle;
      }
    }
    bar = (low + high) / 2;
  }
}
