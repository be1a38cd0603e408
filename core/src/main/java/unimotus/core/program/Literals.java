package unimotus.core.program;

import java.math.BigDecimal;
import java.math.MathContext;

/** Numbers as structured text has them (IEC 61131-3, literals). */
final class Literals {
  /** More than the 24 bits of a REAL hold. */
  private static final int REAL_DIGITS = 10;

  private Literals() {}

  /** A word in hexadecimal. */
  static String hex(int word) {
    return "16#%04X".formatted(word);
  }

  /** A number that is added; nothing where it is zero. */
  static String plus(double value) {
    return value == 0 ? "" : (value < 0 ? " - " : " + ") + real(Math.abs(value));
  }

  /** A real literal always has a point. */
  static String real(double value) {
    BigDecimal rounded = new BigDecimal(value).round(new MathContext(REAL_DIGITS));
    String text = rounded.signum() == 0 ? "0" : rounded.stripTrailingZeros().toPlainString();
    return text.contains(".") ? text : text + ".0";
  }

  /** A time in milliseconds. */
  static String time(double seconds) {
    return "T#%dms".formatted(Math.round(1000 * seconds));
  }
}
