package unimotus.devices.modbus;

/**
 * How a stand-in misbehaves on demand.
 *
 * @param delayMilliseconds every answer waits this long
 * @param dropEvery every so many-th request gets no answer; 0 for none
 * @param spoilEvery every so many-th answer says another function and other data; 0 for none
 */
public record Troubles(int delayMilliseconds, int dropEvery, int spoilEvery) {
  /** None. */
  public static final Troubles NONE = new Troubles(0, 0, 0);

  private static final int LONGEST_DELAY = 10_000;

  /** Checks the limits. */
  public Troubles {
    Limits.check("delay in ms", delayMilliseconds, 0, LONGEST_DELAY);
    Limits.check("drop every", dropEvery, 0, Integer.MAX_VALUE);
    Limits.check("spoil every", spoilEvery, 0, Integer.MAX_VALUE);
  }

  boolean drops(int request) {
    return dropEvery > 0 && request % dropEvery == 0;
  }

  boolean spoils(int request) {
    return spoilEvery > 0 && request % spoilEvery == 0;
  }
}
