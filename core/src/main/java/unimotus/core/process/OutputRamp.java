package unimotus.core.process;

/**
 * How fast the output of a drive changes, and how far.
 *
 * @param maximumHertz highest output, over 0
 * @param baseHertz to which the ramp times count, over 0
 * @param upSeconds from 0 to that, 0 or more
 * @param downSeconds from that to 0, 0 or more
 */
public record OutputRamp(
    double maximumHertz, double baseHertz, double upSeconds, double downSeconds) {
  /** Checks the numbers. */
  public OutputRamp {
    if (!(maximumHertz > 0 && baseHertz > 0) || Double.isInfinite(maximumHertz + baseHertz)) {
      throw new IllegalArgumentException(
          "ramp: maximum and base must be over 0 Hz, not %s and %s Hz"
              .formatted(maximumHertz, baseHertz));
    }
    if (!(upSeconds >= 0 && downSeconds >= 0) || Double.isInfinite(upSeconds + downSeconds)) {
      throw new IllegalArgumentException(
          "ramp: times must be 0 s or more, not %s and %s s".formatted(upSeconds, downSeconds));
    }
  }

  /** The same with another time up. */
  public OutputRamp upIn(double seconds) {
    return new OutputRamp(maximumHertz, baseHertz, seconds, downSeconds);
  }

  /** From 0 to the maximum. */
  public double toMaximumSeconds() {
    return upSeconds * maximumHertz / baseHertz;
  }

  /** Where the output is after a while that it is asked for another. */
  double next(double now, double asked, double seconds) {
    double up = upSeconds == 0 ? Double.POSITIVE_INFINITY : baseHertz / upSeconds * seconds;
    double down = downSeconds == 0 ? Double.POSITIVE_INFINITY : baseHertz / downSeconds * seconds;
    return Math.max(now - down, Math.min(now + up, asked));
  }
}
