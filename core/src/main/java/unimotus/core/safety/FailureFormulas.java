package unimotus.core.safety;

import unimotus.core.machine.StopUse;

/** Times and rates of dangerous failure (ISO 13849-1, annexes C, D and K; from memory). */
public final class FailureFormulas {
  /** Hours in a year, as the standard counts them. */
  public static final double HOURS_PER_YEAR = 8760;

  /** Share of the failures of one channel that strikes the other too, where points are earned. */
  private static final double COMMON_CAUSE_SHARE = 0.02;

  private static final double MISSION_YEARS = 20;
  private static final int STEPS = 2000;

  private FailureFormulas() {}

  /** n_op = d·h·z in operations a year. */
  public static double operationsPerYear(StopUse use) {
    return use.daysPerYear() * use.hoursPerDay() * use.demandsPerHour();
  }

  /** MTTFd = B10d/(0.1·n_op) in years. */
  public static double meanYears(double b10dCycles, double operationsPerYear) {
    return b10dCycles / (0.1 * operationsPerYear);
  }

  /** T10d = B10d/n_op in years: when the device is to be replaced. */
  public static double replaceAfterYears(double b10dCycles, double operationsPerYear) {
    return b10dCycles / operationsPerYear;
  }

  /** ⅔·(a + b − 1/(1/a + 1/b)): one time in years for two channels that differ. */
  public static double symmetrised(double aYears, double bYears) {
    return 2.0 / 3 * (aYears + bYears - 1 / (1 / aYears + 1 / bYears));
  }

  /** 1/MTTFd in dangerous failures per hour: one channel that nothing tests. */
  public static double singleChannelPerHour(double meanYears) {
    return 1 / (meanYears * HOURS_PER_YEAR);
  }

  /**
   * Two equal channels that watch each other, in dangerous failures per hour over twenty years. A
   * failure that is not found waits for that of the other channel; a small share strikes both. The
   * chain of states gives the standard's table K.1 for categories 3 and 4 to a part in a hundred
   * where it was compared.
   *
   * @param meanYears mean time to dangerous failure of one channel
   * @param coverage share of the dangerous failures that is found, 0 to 1
   */
  public static double twoChannelsPerHour(double meanYears, double coverage) {
    double rate = singleChannelPerHour(meanYears);
    double hours = MISSION_YEARS * HOURS_PER_YEAR;
    double step = hours / STEPS;
    double sound = 1;
    double hidden = 0;
    double failed = 0;
    for (int i = 0; i < STEPS; i++) {
      double hides = 2 * rate * (1 - coverage) * (1 - COMMON_CAUSE_SHARE) * sound * step;
      double both = COMMON_CAUSE_SHARE * rate * sound * step;
      double second = rate * hidden * step;
      sound -= hides + both;
      hidden += hides - second;
      failed += both + second;
    }
    return failed / hours;
  }
}
