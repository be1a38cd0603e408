package unimotus.core.safety;

/**
 * Bands of the diagnostic coverage (ISO 13849-1:2015, from memory). The bounds carry a tolerance of
 * five percent: 57, 85.5 and 94 % are read as 60, 90 and 99 %.
 */
public enum CoverageBand {
  NONE("none", 0),
  LOW("low", 0.60),
  MEDIUM("medium", 0.90),
  HIGH("high", 0.99);

  private static final double TOLERANCE = 0.95;

  private final String label;
  private final double from;

  CoverageBand(String label, double from) {
    this.label = label;
    this.from = from;
  }

  /** The word shown to the user. */
  public String label() {
    return label;
  }

  /** The band a coverage lies in. */
  public static CoverageBand of(double coverage) {
    CoverageBand found = NONE;
    for (CoverageBand band : values()) {
      if (coverage >= band.from * TOLERANCE) {
        found = band;
      }
    }
    return found;
  }
}
