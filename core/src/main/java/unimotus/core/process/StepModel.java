package unimotus.core.process;

/**
 * How a process answers to a step of the speed: g·e^(−θs)/(τs + 1), or g·e^(−θs)/s where it
 * integrates.
 *
 * @param isIntegrating whether it goes on for as long as the speed is off, as a level does
 * @param gain of its value for each unit of speed, of both what the loop counts in; for each second
 *     too where it integrates; over 0, the direction is the loop's own
 * @param lagSeconds τ, over 0; no matter where it integrates
 * @param deadSeconds θ, transmitter and filter counted in; over 0
 */
public record StepModel(boolean isIntegrating, double gain, double lagSeconds, double deadSeconds) {
  /** Checks the numbers. */
  public StepModel {
    if (!(gain > 0) || Double.isInfinite(gain)) {
      throw new IllegalArgumentException("process: the gain must be over 0, not " + gain);
    }
    if (!isIntegrating && (!(lagSeconds > 0) || Double.isInfinite(lagSeconds))) {
      throw new IllegalArgumentException("process: the lag must be over 0 s, not " + lagSeconds);
    }
    if (!(deadSeconds > 0) || Double.isInfinite(deadSeconds)) {
      throw new IllegalArgumentException(
          "process: the dead time must be over 0 s, not %s: count the transmitter and the filter in"
              .formatted(deadSeconds));
    }
  }

  /** A first order with dead time. */
  public static StepModel firstOrder(double gain, double lagSeconds, double deadSeconds) {
    return new StepModel(false, gain, lagSeconds, deadSeconds);
  }

  /** One that integrates. */
  public static StepModel integrating(double gain, double deadSeconds) {
    return new StepModel(true, gain, 0, deadSeconds);
  }

  /** How much of a speed that swings slowly or fast comes through. */
  double magnitude(double omega) {
    return isIntegrating ? gain / omega : gain / Math.hypot(1, omega * lagSeconds);
  }

  /** By how much it comes late, in radians; below 0. */
  double phase(double omega) {
    double lag = isIntegrating ? Math.PI / 2 : Math.atan(omega * lagSeconds);
    return -lag - omega * deadSeconds;
  }
}
