package unimotus.core.profile;

/**
 * A command as the control word gives it.
 *
 * @param name the name in the profile
 * @param mask the bits that tell it
 * @param value what they are
 * @param onEdge whether it counts only in the moment in which the bits become so
 */
public record WordCommand(String name, int mask, int value, boolean onEdge) {

  /** Checks that the value lies under the mask. */
  public WordCommand {
    Words.check(mask);
    Words.check(value);
    if ((value & ~mask) != 0) {
      throw new IllegalArgumentException(
          "command %s: value %s has bits outside its mask %s"
              .formatted(name, Words.hex(value), Words.hex(mask)));
    }
  }

  /** Whether the bits of a word are those of the command. */
  public boolean isIn(int word) {
    return (word & mask) == value;
  }

  /** Whether a word gives the command after another word. */
  public boolean isGiven(int word, int before) {
    return isIn(word) && !(onEdge && isIn(before));
  }

  /** A word with the bits of this command put in. */
  public int put(int word) {
    return word & ~mask | value;
  }
}
