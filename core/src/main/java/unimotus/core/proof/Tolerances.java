package unimotus.core.proof;

/**
 * How far a reading may lie from its prediction and still agree. All by common practice: the sum of
 * what a sound instrument and sound devices may be off.
 */
public final class Tolerances {
  /** Output module and meter together, share of span. */
  private static final double SIGNAL_SHARE = 0.005;

  /** Output module and drive's input together, share of maximum frequency. */
  private static final double FREQUENCY_SHARE = 0.005;

  /** Hand tachometer and frequency together, share of full speed. */
  private static final double SHAFT_SHARE = 0.005;

  /** Slip moves with load and winding temperature by about half of itself. */
  private static final double SLIP_SHARE = 0.5;

  /** Rim speed with a measuring wheel or tape and watch, over the shaft's tolerance. */
  private static final double MACHINE_FACTOR = 1.5;

  /** A rule or an angle scale, and where the zero was taken. */
  private static final double POSITION_SHARE = 0.005;

  private static final double ZERO_SHARE = 0.001;

  private static final double GAUGE_SHARE = 0.016;

  /** A hand on a stop watch. */
  private static final double WATCH_SECONDS = 0.3;

  private static final double TIME_SHARE = 0.1;

  private Tolerances() {}

  /** Volts or milliamps, with what the output module rounds. */
  public static double signal(double span, double step) {
    return SIGNAL_SHARE * span + step;
  }

  /** One step of a register; of a float, whose step is 0, the share that a signal may be off. */
  public static double register(double step, double high) {
    return step > 0 ? step : SIGNAL_SHARE * Math.abs(high);
  }

  static double frequency(double maximumHertz) {
    return Math.max(0.05, FREQUENCY_SHARE * maximumHertz);
  }

  static double shaft(double fullRpm, double slipRpm) {
    return SHAFT_SHARE * fullRpm + SLIP_SHARE * slipRpm;
  }

  static double machine(double shaftTolerance) {
    return MACHINE_FACTOR * shaftTolerance;
  }

  /**
   * A position with a rule or an angle scale, and what one step of the command moves.
   *
   * @param moved how far it moved from where it began
   * @param span from one end to the other
   */
  static double position(double moved, double span, double step) {
    return POSITION_SHARE * Math.abs(moved) + ZERO_SHARE * span + step;
  }

  /** A gauge of class 1.6, as EN 837-1 names it, and what one step of the command moves. */
  static double gauge(double span, double step) {
    return GAUGE_SHARE * span + step;
  }

  /** Seconds with a stop watch. */
  public static double time(double seconds) {
    return WATCH_SECONDS + TIME_SHARE * seconds;
  }

  /** Volts or milliamps on a hand-held meter: a tenth and two in a hundred (common practice). */
  public static double meter(double value) {
    return 0.1 + 0.02 * Math.abs(value);
  }
}
