package unimotus.devices.ethercat.master;

/**
 * How often an image is exchanged, and for how long a station waits for it.
 *
 * @param periodMicroseconds how often it is exchanged
 * @param watchdogMilliseconds how long the station waits for outputs before it takes none any more;
 *     0 leaves what it has
 */
public record Pace(int periodMicroseconds, int watchdogMilliseconds) {
  private static final int MICROS_PER_MILLI = 1000;

  /** The register of the watchdog has sixteen bits, in steps of 0.1 ms. */
  public static final int MOST_WATCHDOG_MILLISECONDS = 6553;

  /** Refuses a watchdog that is no longer than a few periods, or longer than there can be. */
  public Pace {
    if (periodMicroseconds < 1) {
      throw new IllegalArgumentException(
          "a period of %d µs; expected 1 at least".formatted(periodMicroseconds));
    }
    boolean isSet = watchdogMilliseconds != 0;
    if (isSet
        && (watchdogMilliseconds > MOST_WATCHDOG_MILLISECONDS
            || watchdogMilliseconds * MICROS_PER_MILLI < 3 * periodMicroseconds)) {
      throw new IllegalArgumentException(
          "a watchdog of %d ms; expected three periods of %d µs at least and %d ms at most"
              .formatted(watchdogMilliseconds, periodMicroseconds, MOST_WATCHDOG_MILLISECONDS));
    }
  }
}
