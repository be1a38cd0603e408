package unimotus.core.quantity;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads numbers the way people type them: {@code 7.5kW}, {@code 12,5 m/min}, {@code −3 Hz}.
 *
 * <p>Where a plain ratio is asked for, {@code 20:1} is one.
 *
 * <p>Point and comma are both taken as the decimal mark. The reader's own mark always is one; where
 * the other mark could stand for thousands ({@code 1,234}) or two marks stand in one number, the
 * text is refused rather than guessed.
 */
public final class QuantityText {
  private static final Pattern SHAPE =
      Pattern.compile("([+-]?)(\\d*)(?:([.,])(\\d*))?(?:[eE]([+-]?\\d{1,3}))?\\s*(\\D.*)?");
  private static final Pattern RATIO = Pattern.compile("([^:]+):([^:]+)");
  private static final int LONGEST = 60;

  private QuantityText() {}

  /**
   * Reads a number with an optional unit.
   *
   * @param name what the number is, for the message
   * @param fallback the unit meant where none is typed
   * @return the quantity in the unit that was typed
   * @throws IllegalArgumentException naming the thing, the text and what is wrong with it
   * @throws UnitMismatch where the unit measures something else than {@code fallback}
   */
  public static Quantity parse(String name, String text, MeasureUnit fallback) {
    return parse(name, text, fallback, '.');
  }

  /**
   * Reads as {@link #parse(String, String, MeasureUnit)} with the reader's own decimal mark.
   *
   * @param decimalMark a point or a comma
   */
  public static Quantity parse(String name, String text, MeasureUnit fallback, char decimalMark) {
    Matcher ratio = RATIO.matcher(text);
    if (fallback == MeasureUnit.ONE && ratio.matches()) {
      return ratio(name, text, ratio, decimalMark);
    }
    Matcher shape = shapeOf(name, text, fallback);
    double number = number(name, text, shape, decimalMark);
    String symbol = shape.group(6) == null ? "" : shape.group(6).strip();
    MeasureUnit unit = symbol.isEmpty() ? fallback : unitOf(name, symbol, fallback);
    if (unit.dimension() != fallback.dimension()) {
      throw new UnitMismatch(name, unit, fallback.dimension());
    }
    return new Quantity(number, unit);
  }

  /** Reads as {@link #parse} and returns the number in {@code unit}. */
  public static double parseIn(String name, String text, MeasureUnit unit) {
    return parse(name, text, unit).in(unit);
  }

  /** 20:1 is twenty, 1:20 a twentieth. */
  private static Quantity ratio(String name, String text, Matcher ratio, char decimalMark) {
    double first = parse(name, ratio.group(1), MeasureUnit.ONE, decimalMark).value();
    double second = parse(name, ratio.group(2), MeasureUnit.ONE, decimalMark).value();
    if (second == 0) {
      throw new IllegalArgumentException(
          "%s: '%s' is a ratio to nothing".formatted(name, shorten(text.strip())));
    }
    return new Quantity(first / second, MeasureUnit.ONE);
  }

  private static Matcher shapeOf(String name, String text, MeasureUnit fallback) {
    String tidy = text.strip().replace('\u2212', '-').replace('\u00a0', ' ').replace("\u202f", "");
    Matcher shape = SHAPE.matcher(tidy);
    if (tidy.length() > LONGEST || !shape.matches() || noDigits(shape)) {
      String example = fallback.symbol().isEmpty() ? "" : " or 12.5 " + fallback.symbol();
      throw new IllegalArgumentException(
          "%s: '%s' is not a number; write it like 12.5%s"
              .formatted(name, shorten(text.strip()), example));
    }
    return shape;
  }

  private static boolean noDigits(Matcher shape) {
    return shape.group(2).isEmpty() && (shape.group(4) == null || shape.group(4).isEmpty());
  }

  private static double number(String name, String text, Matcher shape, char decimalMark) {
    String fraction = shape.group(4) == null ? "" : shape.group(4);
    String whole = shape.group(2);
    String mark = shape.group(3);
    if (mark != null
        && mark.charAt(0) != decimalMark
        && fraction.length() == 3
        && !whole.isEmpty()
        && !whole.startsWith("0")) {
      throw new IllegalArgumentException(
          "%s: '%s' can mean %s%s or %s%s%s; write it without a thousands mark"
              .formatted(name, text.strip(), whole, fraction, whole, decimalMark, fraction));
    }
    String exponent = shape.group(5) == null ? "0" : shape.group(5);
    double value =
        Double.parseDouble(shape.group(1) + "0" + whole + "." + fraction + "0e" + exponent);
    if (!Double.isFinite(value)) {
      throw new IllegalArgumentException(
          name + ": '" + text.strip() + "' is too large for a number");
    }
    return value;
  }

  private static MeasureUnit unitOf(String name, String symbol, MeasureUnit fallback) {
    if (symbol.startsWith(".") || symbol.startsWith(",")) {
      throw new IllegalArgumentException(
          name + ": more than one decimal mark; write it like 1234.5, without thousands marks");
    }
    return MeasureUnit.ofSymbol(symbol)
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "%s: unit '%s' is not known; a %s is written in %s"
                        .formatted(
                            name,
                            shorten(symbol),
                            fallback.dimension().label(),
                            fallback.symbol())));
  }

  private static String shorten(String text) {
    return text.length() <= 24 ? text : text.substring(0, 24) + "…";
  }
}
