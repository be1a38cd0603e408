package unimotus.core.safety;

import java.util.Locale;
import java.util.Optional;

/**
 * Performance level with the dangerous failures per hour it stands for (ISO 13849-1, table 2, from
 * memory).
 */
public enum PerformanceLevel {
  A(1e-4, "none"),
  B(1e-5, "1"),
  C(3e-6, "1"),
  D(1e-6, "2"),
  E(1e-7, "3");

  private final double below;
  private final String sil;

  PerformanceLevel(double below, String sil) {
    this.below = below;
    this.sil = sil;
  }

  /** The safety integrity level whose band it lies in (IEC 62061, from memory). */
  public String safetyIntegrityLevel() {
    return sil;
  }

  /** The letter as it is written. */
  public String letter() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** This level, or another where that is lower. */
  public PerformanceLevel noBetterThan(PerformanceLevel other) {
    return compareTo(other) <= 0 ? this : other;
  }

  /**
   * The level of a probability of dangerous failure per hour. Better than the best band is still
   * {@link #E}; empty where it is worse than the worst band, or not known.
   */
  public static Optional<PerformanceLevel> of(double dangerousPerHour) {
    for (int i = values().length - 1; i >= 0; i--) {
      if (dangerousPerHour < values()[i].below) {
        return Optional.of(values()[i]);
      }
    }
    return Optional.empty();
  }
}
