package unimotus.core.power;

import java.util.EnumMap;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalDouble;
import unimotus.core.machine.CableLaying;

/**
 * Current-carrying capacity of PVC-insulated copper in 40 °C ambient, three loaded conductors (IEC
 * 60204-1:2016 table 6, from memory).
 */
public final class ConductorTable {
  private static final double[] SQUARE_MILLIMETRES = {
    0.75, 1, 1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120
  };
  private static final Map<CableLaying, double[]> AMPERES = new EnumMap<>(CableLaying.class);

  static {
    AMPERES.put(
        CableLaying.DUCT,
        new double[] {8.6, 10.3, 13.5, 18.3, 24, 31, 44, 59, 77, 96, 117, 149, 180, 208});
    AMPERES.put(
        CableLaying.CABLE_IN_DUCT,
        new double[] {8.5, 10.1, 13.1, 17.4, 23, 30, 40, 54, 70, 86, 103, 130, 156, 179});
    AMPERES.put(
        CableLaying.WALL,
        new double[] {9.8, 11.7, 15.2, 21, 28, 36, 50, 66, 84, 104, 125, 160, 194, 225});
    AMPERES.put(
        CableLaying.TRAY,
        new double[] {10.4, 12.4, 16.1, 22, 30, 37, 52, 70, 88, 110, 133, 171, 207, 240});
  }

  private ConductorTable() {}

  /** What a conductor carries, in amperes; empty for a size the table does not have. */
  public static OptionalDouble amperes(CableLaying laying, double squareMillimetres) {
    for (int i = 0; i < SQUARE_MILLIMETRES.length; i++) {
      if (SQUARE_MILLIMETRES[i] == squareMillimetres) {
        return OptionalDouble.of(amperes(laying)[i]);
      }
    }
    return OptionalDouble.empty();
  }

  private static double[] amperes(CableLaying laying) {
    return Objects.requireNonNull(AMPERES.get(laying), laying::name);
  }

  /** The smallest conductor that carries a current, in mm²; empty where the table ends before. */
  public static OptionalDouble smallest(CableLaying laying, double amperes) {
    double[] carried = amperes(laying);
    for (int i = 0; i < carried.length; i++) {
      if (carried[i] >= amperes) {
        return OptionalDouble.of(SQUARE_MILLIMETRES[i]);
      }
    }
    return OptionalDouble.empty();
  }

  /** The next size up in mm²; empty at the end of the table. */
  public static OptionalDouble larger(double squareMillimetres) {
    for (double size : SQUARE_MILLIMETRES) {
      if (size > squareMillimetres) {
        return OptionalDouble.of(size);
      }
    }
    return OptionalDouble.empty();
  }

  /**
   * Least protective conductor of the same material (IEC 60204-1 table 1): as large as the phase up
   * to 16 mm², then 16, over 35 half.
   */
  public static double protectiveSquareMillimetres(double phase) {
    if (phase <= 16) {
      return phase;
    }
    return phase <= 35 ? 16 : phase / 2;
  }
}
