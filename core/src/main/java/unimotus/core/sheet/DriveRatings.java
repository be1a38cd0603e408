package unimotus.core.sheet;

/**
 * What a drive can deliver.
 *
 * @param powerWatts rated motor shaft power
 * @param currentAmperes rated output current
 * @param supplyVolts rated mains voltage, line to line
 * @param overloadRatio short-time current over rated current, at least 1
 * @param overloadSeconds how long the overload may last
 */
public record DriveRatings(
    double powerWatts,
    double currentAmperes,
    double supplyVolts,
    double overloadRatio,
    double overloadSeconds) {

  /** Checks that all ratings are positive. */
  public DriveRatings {
    if (!(powerWatts > 0 && currentAmperes > 0 && supplyVolts > 0 && overloadSeconds > 0)) {
      throw new IllegalArgumentException(
          "ratings must be positive: %s W, %s A, %s V, %s s"
              .formatted(powerWatts, currentAmperes, supplyVolts, overloadSeconds));
    }
    if (!(overloadRatio >= 1)) {
      throw new IllegalArgumentException("overloadRatio must be at least 1, not " + overloadRatio);
    }
  }
}
