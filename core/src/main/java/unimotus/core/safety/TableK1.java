package unimotus.core.safety;

import java.util.OptionalDouble;

/**
 * Table K.1 of ISO 13849-1:2015, from memory: average dangerous failures per hour by structure,
 * diagnostic coverage and mean time to dangerous failure of a channel (simplified procedure, common
 * cause share 2 %, mission time 20 years). Between two rows the lower number of years is taken, as
 * the standard does.
 */
final class TableK1 {
  private static final double[] YEARS = {
    3, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8, 7.5, 8.2, 9.1, 10, 11, 12, 13, 15, 16, 18, 20,
    22, 24, 27, 30, 33, 36, 39, 43, 47, 51, 56, 62, 68, 75, 82, 91, 100
  };

  private static final double[] B_NONE = {
    3.80e-5, 3.46e-5, 3.17e-5, 2.93e-5, 2.65e-5, 2.43e-5, 2.24e-5, 2.04e-5,
    1.84e-5, 1.68e-5, 1.52e-5, 1.39e-5, 1.25e-5, 1.14e-5, 1.04e-5, 9.51e-6,
    8.78e-6, 7.61e-6, 7.13e-6, 6.34e-6, 5.71e-6, 5.19e-6, 4.76e-6, 4.23e-6
  };

  private static final double[] ONE_NONE = {
    3.80e-6, 3.46e-6, 3.17e-6, 2.93e-6, 2.65e-6, 2.43e-6, 2.24e-6, 2.04e-6, 1.84e-6, 1.68e-6,
    1.52e-6, 1.39e-6, 1.25e-6, 1.14e-6
  };

  private static final double[] TWO_LOW = {
    2.58e-5, 2.33e-5, 2.13e-5, 1.95e-5, 1.76e-5, 1.60e-5, 1.47e-5, 1.33e-5,
    1.19e-5, 1.08e-5, 9.75e-6, 8.87e-6, 7.94e-6, 7.18e-6, 6.44e-6, 5.84e-6,
    5.33e-6, 4.53e-6, 4.21e-6, 3.68e-6, 3.26e-6, 2.93e-6, 2.65e-6, 2.32e-6,
    2.06e-6, 1.85e-6, 1.67e-6, 1.53e-6, 1.37e-6, 1.24e-6, 1.13e-6, 1.02e-6,
    9.06e-7, 8.17e-7, 7.31e-7, 6.61e-7, 5.88e-7, 5.28e-7
  };

  private static final double[] TWO_MEDIUM = {
    1.99e-5, 1.79e-5, 1.62e-5, 1.48e-5, 1.33e-5, 1.20e-5, 1.10e-5, 9.87e-6,
    8.80e-6, 7.93e-6, 7.10e-6, 6.43e-6, 5.71e-6, 5.14e-6, 4.53e-6, 4.04e-6,
    3.64e-6, 3.01e-6, 2.77e-6, 2.37e-6, 2.06e-6, 1.82e-6, 1.62e-6, 1.39e-6,
    1.21e-6, 1.06e-6, 9.39e-7, 8.40e-7, 7.34e-7, 6.49e-7, 5.80e-7, 5.10e-7,
    4.43e-7, 3.90e-7, 3.40e-7, 3.01e-7, 2.61e-7, 2.29e-7
  };

  private static final double[] THREE_LOW = {
    1.26e-5, 1.13e-5, 1.03e-5, 9.37e-6, 8.39e-6, 7.58e-6, 6.91e-6, 6.21e-6,
    5.53e-6, 4.98e-6, 4.45e-6, 4.02e-6, 3.57e-6, 3.21e-6, 2.81e-6, 2.49e-6,
    2.23e-6, 1.82e-6, 1.67e-6, 1.41e-6, 1.22e-6, 1.07e-6, 9.47e-7, 8.04e-7,
    6.94e-7, 5.94e-7, 5.16e-7, 4.53e-7, 3.87e-7, 3.35e-7, 2.93e-7, 2.52e-7,
    2.13e-7, 1.84e-7, 1.57e-7, 1.35e-7, 1.14e-7, 1.01e-7
  };

  private static final double[] THREE_MEDIUM = {
    6.09e-6, 5.41e-6, 4.86e-6, 4.40e-6, 3.89e-6, 3.48e-6, 3.15e-6, 2.80e-6,
    2.47e-6, 2.20e-6, 1.95e-6, 1.74e-6, 1.53e-6, 1.36e-6, 1.18e-6, 1.04e-6,
    9.21e-7, 7.44e-7, 6.76e-7, 5.67e-7, 4.85e-7, 4.21e-7, 3.70e-7, 3.10e-7,
    2.65e-7, 2.30e-7, 2.01e-7, 1.78e-7, 1.54e-7, 1.34e-7, 1.19e-7, 1.03e-7,
    8.84e-8, 7.68e-8, 6.62e-8, 5.79e-8, 4.94e-8, 4.29e-8
  };

  private static final double[] FOUR_YEARS = {
    30, 33, 36, 39, 43, 47, 51, 56, 62, 68, 75, 82,
    91, 100, 110, 120, 130, 150, 160, 180, 200, 220, 240, 270,
    300, 330, 360, 390, 430, 470, 510, 560, 620, 680, 750, 820,
    910, 1000, 1100, 1200, 1300, 1500, 1600, 1800, 2000, 2200, 2300, 2400,
    2500
  };

  private static final double[] FOUR_HIGH = {
    9.54e-8, 8.57e-8, 7.77e-8, 7.11e-8, 6.37e-8, 5.76e-8, 5.26e-8, 4.73e-8,
    4.22e-8, 3.80e-8, 3.41e-8, 3.08e-8, 2.74e-8, 2.47e-8, 2.23e-8, 2.03e-8,
    1.87e-8, 1.61e-8, 1.50e-8, 1.33e-8, 1.19e-8, 1.08e-8, 9.81e-9, 8.67e-9,
    7.76e-9, 7.04e-9, 6.44e-9, 5.94e-9, 5.38e-9, 4.91e-9, 4.52e-9, 4.11e-9,
    3.70e-9, 3.37e-9, 3.05e-9, 2.79e-9, 2.51e-9, 2.28e-9, 2.07e-9, 1.90e-9,
    1.75e-9, 1.51e-9, 1.42e-9, 1.26e-9, 1.13e-9, 1.03e-9, 9.85e-10, 9.44e-10,
    9.06e-10
  };

  /** Row of 30 years, from which on a channel counts as high. */
  private static final int HIGH_ROW = YEARS.length - ONE_NONE.length;

  private TableK1() {}

  /**
   * Dangerous failures per hour; empty where the table has no such cell: under 3 years, a structure
   * without the coverage it needs, structure 1 or 4 under 30 years.
   *
   * @param years mean time to dangerous failure of a channel; more than the structure may count
   *     stands for the most
   */
  static OptionalDouble perHour(Structure structure, CoverageBand coverage, double years) {
    boolean some = coverage.compareTo(CoverageBand.LOW) >= 0;
    boolean much = coverage.compareTo(CoverageBand.MEDIUM) >= 0;
    return switch (structure) {
      case B -> cell(YEARS, B_NONE, 0, years);
      case ONE -> cell(YEARS, ONE_NONE, HIGH_ROW, years);
      case TWO ->
          some ? cell(YEARS, much ? TWO_MEDIUM : TWO_LOW, 0, years) : OptionalDouble.empty();
      // A coverage over 99 % in structure 3 counts as medium.
      case THREE ->
          some ? cell(YEARS, much ? THREE_MEDIUM : THREE_LOW, 0, years) : OptionalDouble.empty();
      case FOUR ->
          coverage == CoverageBand.HIGH
              ? cell(FOUR_YEARS, FOUR_HIGH, 0, years)
              : OptionalDouble.empty();
    };
  }

  private static OptionalDouble cell(double[] at, double[] values, int first, double years) {
    OptionalDouble found = OptionalDouble.empty();
    for (int i = 0; i < values.length; i++) {
      if (years >= at[first + i]) {
        found = OptionalDouble.of(values[i]);
      }
    }
    return found;
  }
}
