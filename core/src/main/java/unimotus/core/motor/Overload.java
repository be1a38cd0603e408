package unimotus.core.motor;

/**
 * The electronic overload as a first-order thermal image: heating dϑ/dt = (i² − ϑ)/τ with i =
 * I/I_r, tripping at ϑ = 1.1². Its classes keep the limits of IEC 60947-4-1 (from memory).
 */
public enum Overload {
  CLASS_10A(4, 2, 10, 2),
  CLASS_10(8, 4, 10, 4),
  CLASS_20(15, 6, 20, 8),
  CLASS_30(22, 9, 30, 12);

  /** Between 1.05, which must not trip, and 1.2, which must within two hours. */
  private static final double TRIP_RATIO = 1.1;

  /** Multiple of the setting at which classes are told apart. */
  private static final double CLASS_RATIO = 7.2;

  private final double timeConstant;
  private final double leastSeconds;
  private final double mostSeconds;
  private final double warmMinutes;

  Overload(double coldSeconds, double leastSeconds, double mostSeconds, double warmMinutes) {
    this.leastSeconds = leastSeconds;
    this.mostSeconds = mostSeconds;
    this.warmMinutes = warmMinutes;
    double square = CLASS_RATIO * CLASS_RATIO;
    this.timeConstant = coldSeconds / Math.log(square / (square - TRIP_RATIO * TRIP_RATIO));
  }

  /**
   * Time to the trip at a steady current.
   *
   * @param ratio current over the setting
   * @param heat heating before, 0 cold to 1 after long service at the setting
   * @return seconds; infinite where it never trips
   */
  public double tripSeconds(double ratio, double heat) {
    double square = ratio * ratio;
    double limit = TRIP_RATIO * TRIP_RATIO;
    if (square <= limit) {
      return Double.POSITIVE_INFINITY;
    }
    return timeConstant * Math.log((square - heat) / (square - limit));
  }

  /** Shortest trip from cold at 7.2 times the setting that the class allows, in seconds. */
  public double leastSeconds() {
    return leastSeconds;
  }

  /** Longest trip from cold at 7.2 times the setting that the class allows, in seconds. */
  public double mostSeconds() {
    return mostSeconds;
  }

  /** Longest trip from warm at 1.5 times the setting that the class allows, in minutes. */
  public double warmMinutes() {
    return warmMinutes;
  }
}
