package unimotus.core.process;

/** What a drive moves and its loop measures. Each is used by one play only, tick by tick. */
public interface Process {
  /** The process value now, in its unit. */
  double value();

  /**
   * Goes on for a while.
   *
   * @param hertz output of the drive during it
   * @param demand what is taken during it, in the unit of the process
   * @param seconds over 0
   */
  void advance(double hertz, double demand, double seconds);
}
