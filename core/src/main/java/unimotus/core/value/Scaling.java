package unimotus.core.value;

/**
 * What a raw number means: raw · scale + offset, in a unit.
 *
 * @param scale value of one raw step; finite and not 0
 * @param offset value at raw 0; finite
 * @param unit unit of the value; empty for none
 */
public record Scaling(double scale, double offset, String unit) {
  /** The raw number is the value. */
  public static final Scaling PLAIN = new Scaling(1, 0, "");

  /** Checks the numbers. */
  public Scaling {
    if (scale == 0 || !Double.isFinite(scale) || !Double.isFinite(offset)) {
      throw new IllegalArgumentException("the scale must not be %s".formatted(scale));
    }
  }

  /** Steps of a unit without an offset. */
  public static Scaling of(double scale, String unit) {
    return new Scaling(scale, 0, unit);
  }

  /** The value of a raw number. */
  public double value(double raw) {
    return raw * scale + offset;
  }

  /** The raw number of a value, not rounded. */
  public double raw(double value) {
    return (value - offset) / scale;
  }
}
