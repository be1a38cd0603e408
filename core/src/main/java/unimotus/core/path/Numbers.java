package unimotus.core.path;

import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/** Small numeric manners shared by the stages. */
public final class Numbers {
  private Numbers() {}

  /** Kept between two values. */
  public static double clamp(double value, double low, double high) {
    return Math.max(low, Math.min(high, value));
  }

  /** To the nearest multiple of {@code step}; unchanged where the step is 0. */
  public static double quantise(double value, double step) {
    return step > 0 ? Math.rint(value / step) * step : value;
  }

  /** A number as it is shown. */
  public static String text(double value) {
    return QuantityFormat.PLAIN.number(value);
  }

  /** A value with its unit as it is shown. */
  public static String text(double value, MeasureUnit unit) {
    return QuantityFormat.PLAIN.text(value, unit);
  }
}
