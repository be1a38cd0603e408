package unimotus.core.process;

/** Counts towards sleep and towards waking, tick by tick. Not thread-safe. */
final class SleepTimer {
  private final SleepSettings settings;
  private double below;
  private double off;
  private double boosted;
  private boolean isArmed;

  SleepTimer(SleepSettings settings) {
    this.settings = settings;
    start();
  }

  /** The drive starts, from a command or from sleep. */
  void start() {
    below = 0;
    off = 0;
    boosted = 0;
    isArmed = settings.arming() == SleepSettings.Arming.FROM_START;
  }

  /** Whether it has been below the level for long enough. */
  boolean isTired(double hertz, double seconds) {
    if (hertz >= settings.levelHertz()) {
      isArmed = true;
      below = 0;
      return false;
    }
    if (isArmed) {
      below += seconds;
    }
    return settings.sleeps() && reached(below, settings.delaySeconds());
  }

  /** Whether the store is filled, or it took too long. */
  boolean isBoosted(double error, double span, double seconds) {
    boosted += seconds;
    return -error * span >= settings.boost() || reached(boosted, settings.boostSeconds());
  }

  /** Whether the feedback has been off for long enough. */
  boolean isAwake(double error, double span, double seconds) {
    if (error * span < settings.wakeDeviation()) {
      off = 0;
      return false;
    }
    off += seconds;
    return off > settings.wakeDelaySeconds() || reached(off, settings.wakeDelaySeconds());
  }

  /** Sums of ticks fall short by their rounding. */
  private static boolean reached(double counted, double seconds) {
    return counted >= seconds * (1 - 1e-9);
  }
}
