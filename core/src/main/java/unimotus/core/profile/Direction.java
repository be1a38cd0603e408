package unimotus.core.profile;

/**
 * How a control word tells the direction. One bit may turn it, or each direction has a bit of its
 * own that runs the motor.
 *
 * @param forward the bits that are set only to run forward; 0 where forward is the rule
 * @param reverse the bits that are set only to run in reverse; 0 where the sign of the reference
 *     tells the direction
 */
public record Direction(int forward, int reverse) {
  /** The word does not tell it: the sign of the reference does. */
  public static final Direction BY_SIGN = new Direction(0, 0);

  /** Checks that the two share no bit. */
  public Direction {
    Words.check(forward);
    Words.check(reverse);
    if ((forward & reverse) != 0) {
      throw new IllegalArgumentException(
          "bits %s run forward and in reverse".formatted(Words.hex(forward & reverse)));
    }
  }

  /** One bit or more that turn the direction while they are set. */
  public static Direction turnedBy(int reverse) {
    return new Direction(0, reverse);
  }

  /** Whether the word tells the direction at all. */
  public boolean isInTheWord() {
    return reverse != 0;
  }

  /** A word that runs, with its bits for one direction. */
  public int put(int word, boolean backward) {
    return backward ? word & ~forward | reverse : word & ~reverse | forward;
  }

  /** Whether a word that runs asks for reverse. */
  public boolean isReverse(int word) {
    return (word & reverse) != 0;
  }
}
