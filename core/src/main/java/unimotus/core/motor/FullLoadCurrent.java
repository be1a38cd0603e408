package unimotus.core.motor;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Full-load currents of three-phase induction motors, for sizing conductors and short-circuit
 * protection; the overload is set to the plate (NEC table 430.250, from memory).
 *
 * @param amperes the current
 * @param columnVolts the table's column it was taken from
 * @param carried whether it was carried over to a voltage the table has no column for
 * @param between whether the power lies between two rows
 */
public record FullLoadCurrent(double amperes, int columnVolts, boolean carried, boolean between) {
  private static final double WATTS_PER_HORSEPOWER = 745.69987;

  /** A row whose power is met this nearly is taken as it stands. */
  private static final double SAME_POWER = 1e-3;

  /** Horsepower, then amperes at 115, 200, 208, 230, 460 and 575 V; a dash where there is none. */
  private static final String TABLE =
      """
      0.5 4.4 2.5 2.4 2.2 1.1 0.9
      0.75 6.4 3.7 3.5 3.2 1.6 1.3
      1 8.4 4.8 4.6 4.2 2.1 1.7
      1.5 12.0 6.9 6.6 6.0 3.0 2.4
      2 13.6 7.8 7.5 6.8 3.4 2.7
      3 - 11.0 10.6 9.6 4.8 3.9
      5 - 17.5 16.7 15.2 7.6 6.1
      7.5 - 25.3 24.2 22 11 9
      10 - 32.2 30.8 28 14 11
      15 - 48.3 46.2 42 21 17
      20 - 62.1 59.4 54 27 22
      25 - 78.2 74.8 68 34 27
      30 - 92 88 80 40 32
      40 - 120 114 104 52 41
      50 - 150 143 130 65 52
      60 - 177 169 154 77 62
      75 - 221 211 192 96 77
      100 - 285 273 248 124 99
      125 - 359 343 312 156 125
      150 - 414 396 360 180 144
      200 - 552 528 480 240 192
      250 - - - - 302 242
      300 - - - - 361 289
      350 - - - - 414 336
      400 - - - - 477 382
      450 - - - - 515 412
      500 - - - - 590 472
      """;

  private static final List<Row> ROWS = rows();

  /** The columns and the system voltages they stand for. */
  private enum Column {
    V115(115, 110, 120),
    V200(200, 200, 200),
    V208(208, 208, 208),
    V230(230, 220, 240),
    V460(460, 440, 480),
    V575(575, 550, 600);

    private final int volts;
    private final int from;
    private final int to;

    Column(int volts, int from, int to) {
      this.volts = volts;
      this.from = from;
      this.to = to;
    }

    static Optional<Column> of(double volts) {
      for (Column column : values()) {
        if (volts >= column.from && volts <= column.to) {
          return Optional.of(column);
        }
      }
      return Optional.empty();
    }
  }

  private record Row(double horsepower, List<@Nullable Double> amperes) {
    @Nullable Double at(Column column) {
      return amperes.get(column.ordinal());
    }
  }

  private static List<Row> rows() {
    List<Row> rows = new ArrayList<>();
    for (String line : TABLE.lines().toList()) {
      String[] cells = line.split(" ");
      List<@Nullable Double> amperes = new ArrayList<>();
      for (int i = 1; i < cells.length; i++) {
        amperes.add(cells[i].equals("-") ? null : Double.valueOf(cells[i]));
      }
      rows.add(new Row(Double.parseDouble(cells[0]), amperes));
    }
    return List.copyOf(rows);
  }

  /**
   * The table's current, in a straight line between its rows. A system voltage of a column's range
   * takes that column as it stands; another voltage takes the 460 V column by the inverse ratio, as
   * the table's own columns go.
   *
   * @param powerWatts shaft power
   * @param volts line to line
   * @return empty outside the table
   */
  public static Optional<FullLoadCurrent> of(double powerWatts, double volts) {
    if (!(volts > 0)) {
      return Optional.empty();
    }
    Optional<Column> own = Column.of(volts);
    Column column = own.orElse(Column.V460);
    double horsepower = powerWatts / WATTS_PER_HORSEPOWER;
    for (int i = 0; i < ROWS.size(); i++) {
      Row row = ROWS.get(i);
      Double here = row.at(column);
      boolean same = Math.abs(horsepower - row.horsepower()) <= SAME_POWER * row.horsepower();
      if (here != null && same) {
        return Optional.of(found(here, column, own.isEmpty(), volts, false));
      }
      Double above = i + 1 < ROWS.size() ? ROWS.get(i + 1).at(column) : null;
      if (here != null && above != null && isBetween(horsepower, i)) {
        double share =
            (horsepower - row.horsepower()) / (ROWS.get(i + 1).horsepower() - row.horsepower());
        double amperes = here + share * (above - here);
        return Optional.of(found(amperes, column, own.isEmpty(), volts, true));
      }
    }
    return Optional.empty();
  }

  private static boolean isBetween(double horsepower, int row) {
    double above = ROWS.get(row + 1).horsepower();
    return horsepower > ROWS.get(row).horsepower() && horsepower < above * (1 - SAME_POWER);
  }

  private static FullLoadCurrent found(
      double amperes, Column column, boolean carried, double volts, boolean between) {
    double value = carried ? amperes * column.volts / volts : amperes;
    return new FullLoadCurrent(value, column.volts, carried, between);
  }
}
