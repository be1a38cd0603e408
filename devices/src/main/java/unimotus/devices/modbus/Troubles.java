package unimotus.devices.modbus;

/**
 * How a stand-in misbehaves on demand.
 *
 * @param delayMilliseconds every answer waits this long
 * @param dropEvery every so many-th request gets no answer; 0 for none
 * @param spoilEvery every so many-th answer says another function and other data; 0 for none
 * @param refuseEvery every so many-th request is refused; 0 for none
 * @param refusal what it is refused with
 */
public record Troubles(
    int delayMilliseconds, int dropEvery, int spoilEvery, int refuseEvery, ExceptionCode refusal) {
  /** None. */
  public static final Troubles NONE = new Troubles(0, 0, 0);

  private static final int LONGEST_DELAY = 10_000;

  /** Checks the limits. */
  public Troubles {
    Limits.check("delay in ms", delayMilliseconds, 0, LONGEST_DELAY);
    Limits.check("drop every", dropEvery, 0, Integer.MAX_VALUE);
    Limits.check("falsify every", spoilEvery, 0, Integer.MAX_VALUE);
    Limits.check("refuse every", refuseEvery, 0, Integer.MAX_VALUE);
  }

  /** Late, silent and lying, without refusals. */
  public Troubles(int delayMilliseconds, int dropEvery, int spoilEvery) {
    this(delayMilliseconds, dropEvery, spoilEvery, 0, ExceptionCode.SERVER_DEVICE_BUSY);
  }

  /** Refuses every request. */
  public static Troubles refusing(ExceptionCode code) {
    return new Troubles(0, 0, 0, 1, code);
  }

  boolean refuses(int request) {
    return refuseEvery > 0 && request % refuseEvery == 0;
  }

  boolean drops(int request) {
    return dropEvery > 0 && request % dropEvery == 0;
  }

  boolean spoils(int request) {
    return spoilEvery > 0 && request % spoilEvery == 0;
  }
}
