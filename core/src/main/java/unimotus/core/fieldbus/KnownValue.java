package unimotus.core.fieldbus;

import java.util.List;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityText;

/**
 * A value that was known, on the drive's display say, while registers were read.
 *
 * @param value the value
 * @param resolution the worth of its last digit, positive
 * @param table the table that was read
 * @param address the first place that was read, counted from 0
 * @param words what stood there
 */
public record KnownValue(
    double value, double resolution, RegisterTable table, int address, List<Integer> words) {

  /** Takes a copy and checks the resolution. */
  public KnownValue {
    words = List.copyOf(words);
    if (!Double.isFinite(value) || !(resolution > 0)) {
      throw new IllegalArgumentException(
          "a known value needs a number and a positive resolution, not %s ± %s"
              .formatted(value, resolution));
    }
    if (table.isBits()) {
      throw new IllegalArgumentException("values are held in registers, not in a " + table.label());
    }
  }

  /**
   * A value as it was typed: its last digit tells how exact it is.
   *
   * @throws IllegalArgumentException where it is no number
   */
  public static KnownValue typed(
      String text, RegisterTable table, int address, List<Integer> words) {
    String plain = text.strip().replace(',', '.');
    if (!plain.matches("[-+]?\\d+(\\.\\d+)?")) {
      throw new IllegalArgumentException(
          "'%s' is no number as a display shows it, such as 25.0".formatted(text.strip()));
    }
    // What could mean thousands is refused here as everywhere.
    double value = QuantityText.parseIn("known value", text, MeasureUnit.ONE);
    int point = plain.indexOf('.');
    int decimals = point < 0 ? 0 : plain.length() - point - 1;
    return new KnownValue(value, Math.pow(10, -decimals), table, address, words);
  }
}
