package unimotus.core.motor;

import java.util.OptionalDouble;

/**
 * Full-load currents of three-phase induction motors for sizing (NEC table 430.250, from memory), 1
 * to 40 hp on the 230 and 460 V columns.
 */
public final class FullLoadCurrent {
  private static final double WATTS_PER_HORSEPOWER = 745.69987;
  private static final double[] HORSEPOWER = {1, 1.5, 2, 3, 5, 7.5, 10, 15, 20, 25, 30, 40};
  private static final double[] AT_460 = {2.1, 3.0, 3.4, 4.8, 7.6, 11, 14, 21, 27, 34, 40, 52};
  private static final double TABLE_VOLTS = 460;

  private FullLoadCurrent() {}

  /**
   * The table's current, interpolated over the power and carried over to another voltage by the
   * inverse ratio, as the table's own columns are.
   *
   * @return amperes; empty outside 1 to 40 hp
   */
  public static OptionalDouble amperes(double powerWatts, double volts) {
    double horsepower = powerWatts / WATTS_PER_HORSEPOWER;
    int last = HORSEPOWER.length - 1;
    if (!(volts > 0) || horsepower < HORSEPOWER[0] || horsepower > HORSEPOWER[last]) {
      return OptionalDouble.empty();
    }
    int above = 1;
    while (HORSEPOWER[above] < horsepower) {
      above++;
    }
    double share =
        (horsepower - HORSEPOWER[above - 1]) / (HORSEPOWER[above] - HORSEPOWER[above - 1]);
    double amperes = AT_460[above - 1] + share * (AT_460[above] - AT_460[above - 1]);
    return OptionalDouble.of(amperes * TABLE_VOLTS / volts);
  }
}
