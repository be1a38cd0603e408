package unimotus.core.motor;

import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;

/**
 * Rated efficiency limits of three-phase motors on 50 Hz (IEC 60034-30-1, from memory), for two,
 * four and six poles from 0.75 to 30 kW.
 */
public enum EfficiencyClass {
  IE1(
      new double[] {72.1, 75.0, 77.2, 79.7, 81.5, 83.1, 84.7, 86.0, 87.6, 88.7, 89.3, 89.9, 90.7},
      new double[] {72.1, 75.0, 77.2, 79.7, 81.5, 83.1, 84.7, 86.0, 87.6, 88.7, 89.3, 89.9, 90.7},
      new double[] {70.0, 72.9, 75.2, 77.7, 79.7, 81.4, 83.1, 84.7, 86.4, 87.7, 88.6, 89.2, 90.2}),
  IE2(
      new double[] {77.4, 79.6, 81.3, 83.2, 84.6, 85.8, 87.0, 88.1, 89.4, 90.3, 90.9, 91.3, 92.0},
      new double[] {79.6, 81.4, 82.8, 84.3, 85.5, 86.6, 87.7, 88.7, 89.8, 90.6, 91.2, 91.6, 92.3},
      new double[] {75.9, 78.1, 79.8, 81.8, 83.3, 84.6, 86.0, 87.2, 88.7, 89.7, 90.4, 90.9, 91.7}),
  IE3(
      new double[] {80.7, 82.7, 84.2, 85.9, 87.1, 88.1, 89.2, 90.1, 91.2, 91.9, 92.4, 92.7, 93.3},
      new double[] {82.5, 84.1, 85.3, 86.7, 87.7, 88.6, 89.6, 90.4, 91.4, 92.1, 92.6, 93.0, 93.6},
      new double[] {78.9, 81.0, 82.5, 84.3, 85.6, 86.8, 88.0, 89.1, 90.3, 91.2, 91.7, 92.2, 92.9}),
  IE4(
      new double[] {83.5, 85.2, 86.5, 88.0, 89.1, 90.0, 90.9, 91.7, 92.6, 93.3, 93.7, 94.0, 94.5},
      new double[] {85.7, 87.2, 88.2, 89.5, 90.4, 91.1, 91.9, 92.6, 93.3, 93.9, 94.2, 94.5, 94.9},
      new double[] {82.7, 84.5, 85.9, 87.4, 88.6, 89.5, 90.5, 91.3, 92.3, 92.9, 93.4, 93.7, 94.2});

  private static final double[] KILOWATTS = {
    0.75, 1.1, 1.5, 2.2, 3, 4, 5.5, 7.5, 11, 15, 18.5, 22, 30
  };

  private final Map<Integer, double[]> byPoles;

  EfficiencyClass(double[] two, double[] four, double[] six) {
    byPoles = new TreeMap<>(Map.of(2, two, 4, four, 6, six));
  }

  /**
   * The limit, interpolated over the logarithm of the power.
   *
   * @return a ratio; empty outside 0.75 to 30 kW or for other pole counts
   */
  public OptionalDouble limit(double powerWatts, int poles) {
    double kilowatts = powerWatts / 1000;
    double[] limits = byPoles.get(poles);
    int last = KILOWATTS.length - 1;
    if (limits == null || kilowatts < KILOWATTS[0] || kilowatts > KILOWATTS[last]) {
      return OptionalDouble.empty();
    }
    int above = 0;
    while (KILOWATTS[above] < kilowatts) {
      above++;
    }
    if (KILOWATTS[above] == kilowatts) {
      return OptionalDouble.of(limits[above] / 100);
    }
    double share =
        Math.log(kilowatts / KILOWATTS[above - 1])
            / Math.log(KILOWATTS[above] / KILOWATTS[above - 1]);
    return OptionalDouble.of(
        (limits[above - 1] + share * (limits[above] - limits[above - 1])) / 100);
  }
}
