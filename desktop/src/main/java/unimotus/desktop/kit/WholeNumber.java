package unimotus.desktop.kit;

import unimotus.core.quantity.QuantityFormat;

/** A number that counts something. */
public final class WholeNumber {
  private WholeNumber() {}

  /**
   * The number.
   *
   * @param name what it counts, for the message
   * @throws IllegalArgumentException where it has a part, or is beyond 32 bits
   */
  public static int of(String name, double value) {
    if (value != Math.rint(value) || Math.abs(value) > Integer.MAX_VALUE) {
      throw new IllegalArgumentException(
          "%s must be a whole number, not %s".formatted(name, QuantityFormat.PLAIN.number(value)));
    }
    return (int) value;
  }
}
