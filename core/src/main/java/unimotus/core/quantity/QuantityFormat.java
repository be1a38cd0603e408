package unimotus.core.quantity;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;

/**
 * Writes numbers for people: a fixed count of significant digits, no exponent in the everyday
 * range, a narrow space between thousands, a true minus sign, and the decimal mark of the reader.
 *
 * @param decimalMark the reader's decimal mark, a point or a comma
 * @param significantDigits how many digits carry meaning, 2 to 15
 */
public record QuantityFormat(char decimalMark, int significantDigits) {
  /** Point as decimal mark, five significant digits: what reports and tests use. */
  public static final QuantityFormat PLAIN = new QuantityFormat('.', 5);

  /** Beyond this no counter counts. */
  private static final double MOST_COUNTS = 1e12;

  private static final int ENGINEERING_DIGITS = 4;
  private static final String[] PREFIXES = {"M", "k", "", "m", "µ"};
  private static final int LARGEST_POWER = 2;

  private static final char NARROW_SPACE = '\u202f';

  /** Checks the mark and the digits. */
  public QuantityFormat {
    if (decimalMark != '.' && decimalMark != ',') {
      throw new IllegalArgumentException(
          "decimal mark must be '.' or ',', not '" + decimalMark + "'");
    }
    if (significantDigits < 2 || significantDigits > 15) {
      throw new IllegalArgumentException(
          "significant digits must be 2 to 15, not " + significantDigits);
    }
  }

  /** The number alone, such as {@code 13 824} or {@code −0.05}. Not-a-number reads as a dash. */
  public String number(double value) {
    if (!Double.isFinite(value)) {
      return "–";
    }
    BigDecimal rounded =
        new BigDecimal(value)
            .round(new MathContext(significantDigits, RoundingMode.HALF_EVEN))
            .stripTrailingZeros();
    if (rounded.signum() == 0) {
      return "0";
    }
    int magnitude = rounded.precision() - rounded.scale();
    if (magnitude > 12 || magnitude < -5) {
      return marked(rounded.toString());
    }
    return grouped(rounded.scale() < 0 ? rounded.setScale(0, RoundingMode.UNNECESSARY) : rounded);
  }

  /** The number alone as it is shown in a unit: whole counts keep all their digits. */
  public String number(double value, MeasureUnit unit) {
    return unit == MeasureUnit.COUNTS ? counts(value) : number(value);
  }

  /** The number with its unit, such as {@code 25 Hz}. Whole counts keep all their digits. */
  public String text(double value, MeasureUnit unit) {
    String number = number(value, unit);
    return unit.symbol().isEmpty() ? number : number + " " + unit.symbol();
  }

  /**
   * Four significant digits with the prefix that leaves one to three before the mark, such as
   * {@code 10.02 V} or {@code 3.51 mA}; from micro to mega (BIPM, SI prefixes).
   *
   * @param symbol of the unit without a prefix
   */
  public String engineering(double value, String symbol) {
    if (!Double.isFinite(value)) {
      return "– " + symbol;
    }
    QuantityFormat digits = new QuantityFormat(decimalMark, ENGINEERING_DIGITS);
    double size =
        new BigDecimal(Math.abs(value)).round(new MathContext(ENGINEERING_DIGITS)).doubleValue();
    for (int i = 0; i < PREFIXES.length; i++) {
      double factor = Math.pow(1000, LARGEST_POWER - i);
      if (size >= factor || (i == PREFIXES.length - 1 && size > 0)) {
        return digits.number(value / factor) + " " + PREFIXES[i] + symbol;
      }
    }
    return "0 " + symbol;
  }

  private String counts(double value) {
    boolean whole = value == Math.rint(value) && value != 0 && Math.abs(value) < MOST_COUNTS;
    return whole ? grouped(BigDecimal.valueOf((long) value)) : number(value);
  }

  private String grouped(BigDecimal value) {
    String[] halves = value.abs().toPlainString().split("\\.", -1);
    StringBuilder whole = new StringBuilder(halves[0]);
    for (int at = whole.length() - 3; at > 0 && halves[0].length() > 4; at -= 3) {
      whole.insert(at, NARROW_SPACE);
    }
    String text =
        halves.length > 1
            ? whole.append(decimalMark).append(halves[1]).toString()
            : whole.toString();
    return value.signum() < 0 ? "−" + text : text;
  }

  private String marked(String text) {
    return text.replace('.', decimalMark).replace('-', '−');
  }
}
