package unimotus.core.sheet;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;

/**
 * What positions of some switches on a driver mean, as the table on its lid has it.
 *
 * @param first number of the first switch
 * @param rows positions with their meaning; no two have the same positions
 */
public record SwitchTable(int first, List<Row> rows) {

  /**
   * One line of the table.
   *
   * @param on the position of each switch, the first one first
   * @param value steps a turn, or amperes
   */
  public record Row(List<Boolean> on, double value) {
    /** Takes a copy. */
    public Row {
      on = List.copyOf(on);
      if (!(value > 0 && value < Double.POSITIVE_INFINITY)) {
        throw new IllegalArgumentException("switches: a value must be over 0, not " + value);
      }
    }
  }

  /** Takes a copy and checks that the rows can be told apart. */
  public SwitchTable {
    rows = List.copyOf(rows);
    if (rows.isEmpty()) {
      throw new IllegalArgumentException("switches: the table has no rows");
    }
    int switches = rows.get(0).on().size();
    List<List<Boolean>> seen = new ArrayList<>();
    for (Row row : rows) {
      if (row.on().size() != switches) {
        throw new IllegalArgumentException(
            "switches: a row has %d positions, the first one %d"
                .formatted(row.on().size(), switches));
      }
      if (seen.contains(row.on())) {
        throw new IllegalArgumentException(
            "switches: %s stands in the table twice".formatted(words(first, row.on())));
      }
      seen.add(row.on());
    }
  }

  /**
   * A table in which every switch that is on adds its weight to a base, as many drivers have it for
   * the current.
   *
   * @param first number of the first switch
   * @param base value with all switches off, over 0
   * @param weights what each adds, the first one first
   */
  public static SwitchTable weighted(int first, double base, List<Double> weights) {
    List<Row> rows = new ArrayList<>();
    for (int code = 0; code < 1 << weights.size(); code++) {
      List<Boolean> on = new ArrayList<>();
      double value = base;
      for (int i = 0; i < weights.size(); i++) {
        boolean isOn = (code >> i & 1) != 0;
        on.add(isOn);
        value += isOn ? weights.get(i) : 0;
      }
      rows.add(new Row(on, value));
    }
    return new SwitchTable(first, rows);
  }

  /** How many switches it has. */
  public int switches() {
    return rows.get(0).on().size();
  }

  /** What positions mean; empty where the table does not have them. */
  public Optional<Row> of(List<Boolean> on) {
    return rows.stream().filter(r -> r.on().equals(on)).findFirst();
  }

  /** The row of just that value, to a thousandth of it; empty where there is none. */
  public Optional<Row> of(double value) {
    return rows.stream().filter(r -> Math.abs(r.value() - value) <= 1e-3 * value).findFirst();
  }

  /** The row of the highest value that is not above a limit; empty where all are. */
  public Optional<Row> highestNotAbove(double limit) {
    return rows.stream()
        .filter(r -> r.value() <= limit * (1 + 1e-9))
        .reduce((a, b) -> b.value() > a.value() ? b : a);
  }

  /** All values there are, from the least. */
  public List<Double> values() {
    List<Double> values = new ArrayList<>(rows.stream().map(Row::value).distinct().toList());
    Collections.sort(values);
    return values;
  }

  /** Positions in words, such as {@code SW5 on, SW6 off}. */
  public String words(Row row) {
    return words(first, row.on());
  }

  private static String words(int first, List<Boolean> on) {
    List<String> each = new ArrayList<>();
    for (int i = 0; i < on.size(); i++) {
      each.add("SW%d %s".formatted(first + i, on.get(i) ? "on" : "off"));
    }
    return String.join(", ", each);
  }
}
