package unimotus.core.safety;

import unimotus.core.machine.StopUse;

/** Times to dangerous failure (ISO 13849-1, annexes C and D; from memory). */
final class FailureFormulas {
  private FailureFormulas() {}

  /** n_op = d·h·z in operations a year. */
  public static double operationsPerYear(StopUse use) {
    StopUse.Rhythm rhythm = use.rhythm();
    return rhythm.daysPerYear() * rhythm.hoursPerDay() * rhythm.demandsPerHour();
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
}
