package unimotus.core.process;

import unimotus.core.quantity.QuantityFormat;

/**
 * What the feedback of a loop measures over its signal.
 *
 * @param low process value at the low end of the signal, in its unit
 * @param high the same at the high end; not the same as {@code low}
 * @param unit for people, such as {@code m} or {@code bar}; possibly empty
 */
public record ProcessRange(double low, double high, String unit) {
  /** Checks the numbers. */
  public ProcessRange {
    if (!Double.isFinite(low) || !Double.isFinite(high) || low == high) {
      throw new IllegalArgumentException(
          "feedback range: two different ends are needed, not %s and %s %s"
              .formatted(
                  QuantityFormat.PLAIN.number(low), QuantityFormat.PLAIN.number(high), unit));
    }
  }

  /** From end to end, positive. */
  public double span() {
    return Math.abs(high - low);
  }

  /** Where a value lies, 0 at the low end and 1 at the high end. */
  public double share(double value) {
    return (value - low) / (high - low);
  }

  /** The value at a share. */
  public double value(double share) {
    return low + share * (high - low);
  }

  /** Whether a value can be measured. */
  public boolean has(double value) {
    return share(value) >= 0 && share(value) <= 1;
  }
}
