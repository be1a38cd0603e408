package unimotus.devices.ethercat.station;

/**
 * How a ring misbehaves on demand.
 *
 * @param openAfter the cable behind so many stations is open; 0 for none
 * @param dropEvery every so many-th telegram does not come back; 0 for none
 * @param delayMilliseconds every telegram comes back so late
 */
public record RingTroubles(int openAfter, int dropEvery, int delayMilliseconds) {
  /** None. */
  public static final RingTroubles NONE = new RingTroubles(0, 0, 0);

  private static final int LONGEST_DELAY = 10_000;

  /** Checks the limits. */
  public RingTroubles {
    within("stations before the open cable", openAfter, Ring.MOST);
    within("drop every", dropEvery, Integer.MAX_VALUE);
    within("delay in ms", delayMilliseconds, LONGEST_DELAY);
  }

  private static void within(String what, int number, int most) {
    if (number < 0 || number > most) {
      throw new IllegalArgumentException("%s %d is outside 0 to %d".formatted(what, number, most));
    }
  }
}
