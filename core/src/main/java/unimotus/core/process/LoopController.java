package unimotus.core.process;

/**
 * The loop of a drive, tick by tick: proportional and integral part in percent of the highest
 * output. The integral part waits where the output is at a limit and it would go beyond. Not
 * thread-safe.
 */
final class LoopController {
  private final double minimum;
  private double integral;
  private double filtered;
  private boolean isFresh = true;

  LoopController(LoopSettings settings) {
    this.minimum = settings.minimumHertz() / settings.ramp().maximumHertz();
  }

  /** Starts anew: nothing is integrated yet. */
  void reset() {
    integral = 0;
  }

  /** Takes over where the output is, so that it does not jump. */
  void takeOver(LoopSettings settings, double hertz) {
    integral = hertz / settings.ramp().maximumHertz() - settings.gain() * settings.error(filtered);
  }

  /** Takes in what is read of the feedback. */
  void seen(LoopSettings settings, double feedback, double seconds) {
    double share =
        settings.filterSeconds() == 0 || isFresh
            ? 1
            : -Math.expm1(-seconds / settings.filterSeconds());
    isFresh = false;
    filtered += share * (feedback - filtered);
  }

  /** What the loop sees of the feedback. */
  double filtered() {
    return filtered;
  }

  /**
   * The output it asks for, in hertz.
   *
   * @param held below 0 where the ramp holds the output below what was asked, above where above
   */
  double asks(LoopSettings settings, int held, double seconds) {
    double error = settings.error(filtered);
    double part = settings.gain() * error;
    double asked = part + integral;
    boolean over = asked >= 1 || (settings.stopsAtRamp() && held < 0);
    boolean under = asked <= minimum || (settings.stopsAtRamp() && held > 0);
    if (!(over && error > 0) && !(under && error < 0)) {
      double added = settings.gain() * error * seconds / settings.integralSeconds();
      // Up to the limit and not beyond, so that it leaves it as soon as the error turns.
      double room = error > 0 ? Math.max(0, 1 - asked) : Math.min(0, minimum - asked);
      integral += error > 0 ? Math.min(added, room) : Math.max(added, room);
    }
    double told = Math.max(minimum, Math.min(1, part + integral));
    return told * settings.ramp().maximumHertz();
  }
}
