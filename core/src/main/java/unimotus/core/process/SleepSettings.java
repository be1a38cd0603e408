package unimotus.core.process;

/**
 * When a drive with a loop of its own stops by itself, and starts by itself.
 *
 * @param levelHertz output below which it goes to sleep; 0 where it never does
 * @param delaySeconds for which the output must be below it, over 0
 * @param arming from when on that is counted
 * @param wakeDeviation from the set-point at which it starts again, in the unit of the feedback,
 *     over 0; on the side that asks for more speed
 * @param wakeDelaySeconds for which the feedback must be off so far, 0 or more
 * @param boost added to the set-point before it sleeps, on the side that stores; 0 for none
 * @param boostSeconds after which it sleeps, reached or not, 0 or more
 */
public record SleepSettings(
    double levelHertz,
    double delaySeconds,
    Arming arming,
    double wakeDeviation,
    double wakeDelaySeconds,
    double boost,
    double boostSeconds) {
  /** From when on an output below the level is counted. */
  public enum Arming {
    FROM_START("from the start on"),
    AFTER_LEVEL("after the level was passed");

    private final String label;

    Arming(String label) {
      this.label = label;
    }

    /** For people. */
    public String label() {
      return label;
    }
  }

  /** Never asleep. */
  public static final SleepSettings NEVER = new SleepSettings(0, 1, Arming.AFTER_LEVEL, 1, 0, 0, 0);

  /** Checks the numbers. */
  public SleepSettings {
    if (!(levelHertz >= 0) || Double.isInfinite(levelHertz)) {
      throw new IllegalArgumentException(
          "sleep level: must be 0 Hz or more, not " + levelHertz + " Hz");
    }
    if (!(delaySeconds > 0) || Double.isInfinite(delaySeconds)) {
      throw new IllegalArgumentException("sleep delay: must be over 0 s, not " + delaySeconds);
    }
    if (!(wakeDeviation > 0) || Double.isInfinite(wakeDeviation)) {
      throw new IllegalArgumentException(
          "wake deviation: must be over 0, not %s; at 0 it wakes at once".formatted(wakeDeviation));
    }
    if (!(wakeDelaySeconds >= 0 && boost >= 0 && boostSeconds >= 0)
        || Double.isInfinite(wakeDelaySeconds + boost + boostSeconds)) {
      throw new IllegalArgumentException(
          "sleep: wake delay, boost and its time must be 0 or more, not %s s, %s and %s s"
              .formatted(wakeDelaySeconds, boost, boostSeconds));
    }
  }

  /** Whether it ever sleeps. */
  public boolean sleeps() {
    return levelHertz > 0;
  }

  /** The same with another level. */
  public SleepSettings level(double hertz) {
    return new SleepSettings(
        hertz, delaySeconds, arming, wakeDeviation, wakeDelaySeconds, boost, boostSeconds);
  }

  /** The same with another delay. */
  public SleepSettings delay(double seconds) {
    return new SleepSettings(
        levelHertz, seconds, arming, wakeDeviation, wakeDelaySeconds, boost, boostSeconds);
  }

  /** The same with another deviation to wake at. */
  public SleepSettings wakesAt(double deviation) {
    return new SleepSettings(
        levelHertz, delaySeconds, arming, deviation, wakeDelaySeconds, boost, boostSeconds);
  }
}
