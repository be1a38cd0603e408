package unimotus.core.profile;

/**
 * What one bit of a word means.
 *
 * @param bit its number, 0 the least
 * @param name the meaning when it is set
 */
public record WordBit(int bit, String name) {

  /** Checks the number. */
  public WordBit {
    if (bit < 0 || bit > 15) {
      throw new IllegalArgumentException("a word has the bits 0 to 15, not " + bit);
    }
  }

  /** Whether it is set in a word. */
  public boolean isSet(int word) {
    return (word >> bit & 1) == 1;
  }
}
