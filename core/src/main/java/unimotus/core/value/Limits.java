package unimotus.core.value;

/**
 * What of a value is meant.
 *
 * @param minimum least value
 * @param maximum greatest value, at least the minimum
 */
public record Limits(double minimum, double maximum) {

  /** Checks their order. */
  public Limits {
    if (!(minimum <= maximum)) {
      throw new IllegalArgumentException(
          "minimum %s is over maximum %s".formatted(minimum, maximum));
    }
  }

  /** All sixteen bits of a word. */
  public static final Limits WORD = new Limits(0, 0xFFFF);

  /** Whether a value lies within. */
  public boolean hold(double value) {
    return value >= minimum && value <= maximum;
  }
}
