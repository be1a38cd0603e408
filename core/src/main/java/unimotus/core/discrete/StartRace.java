package unimotus.core.discrete;

import java.util.random.RandomGenerator;

/**
 * The race of stop and start when one selector closes both: a drive that needs stop satisfied
 * before it takes a start looks at its inputs once a scan; where both edges fall into one scan the
 * start is lost.
 *
 * <p>Played in time: each contact closes with a skew of its own, bounces, passes the input's filter
 * (a level must stand for the filter time to be taken), and is sampled by the scan, whose phase is
 * random. A start input with a delay takes its edge only when the delay has run out, long after
 * stop has settled. Figures of contacts are common practice.
 *
 * @param skewSeconds the two contacts close at most this far apart, either one first
 * @param bounceSeconds how long a contact bounces at most
 * @param filterSeconds filter of the drive's inputs
 * @param scanSeconds how often the drive looks at its inputs
 * @param delaySeconds delay of the start input, 0 for a plain one
 */
record StartRace(
    double skewSeconds,
    double bounceSeconds,
    double filterSeconds,
    double scanSeconds,
    double delaySeconds) {
  private static final int MOST_BOUNCES = 5;

  /** Checks the times. */
  public StartRace {
    if (!(skewSeconds >= 0 && bounceSeconds >= 0 && filterSeconds >= 0 && delaySeconds >= 0)) {
      throw new IllegalArgumentException("times of a start race must not be negative");
    }
    if (!(scanSeconds > 0)) {
      throw new IllegalArgumentException(
          "the scan of a start race must take time, not " + scanSeconds + " s");
    }
  }

  /** A usual selector and drive: 2 ms skew, 3 ms bounce, 2 ms filter, 8 ms scan. */
  public static StartRace usual(double delaySeconds) {
    return new StartRace(0.002, 0.003, 0.002, 0.008, delaySeconds);
  }

  /**
   * Turns the selector to Hand many times.
   *
   * @param random the chance in it
   * @return how many of the turns start the motor
   */
  public int starts(int turns, RandomGenerator random) {
    int started = 0;
    for (int i = 0; i < turns; i++) {
      started += startsOnce(random) ? 1 : 0;
    }
    return started;
  }

  private boolean startsOnce(RandomGenerator random) {
    double skew = (2 * random.nextDouble() - 1) * skewSeconds;
    double stopTaken = settled(Math.max(0, -skew), random);
    double startTaken = settled(Math.max(0, skew), random);
    double phase = random.nextDouble() * scanSeconds;
    long stopScan = scanAfter(stopTaken, phase);
    long startScan = scanAfter(startTaken + delaySeconds, phase);
    return startScan > stopScan;
  }

  /** When a contact that first touches at a time has stood closed for the filter's length. */
  private double settled(double touch, RandomGenerator random) {
    double at = touch;
    double end = touch + bounceSeconds * random.nextDouble();
    int bounces = bounceSeconds == 0 ? 0 : random.nextInt(MOST_BOUNCES + 1);
    for (int i = 0; i < bounces && at < end; i++) {
      double closed = (end - at) * random.nextDouble();
      if (closed >= filterSeconds) {
        return at + filterSeconds;
      }
      double open = (end - at - closed) * random.nextDouble();
      at += closed + open;
    }
    return at + filterSeconds;
  }

  private long scanAfter(double seconds, double phase) {
    return (long) Math.ceil((seconds - phase) / scanSeconds);
  }
}
