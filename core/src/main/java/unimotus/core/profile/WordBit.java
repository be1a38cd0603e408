package unimotus.core.profile;

import java.util.List;

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

  /** The names of the bits that are set, from the least; with its number where a name is shared. */
  public static List<String> names(List<WordBit> bits, int word) {
    return bits.stream().filter(b -> b.isSet(word)).map(b -> name(b, bits)).toList();
  }

  private static String name(WordBit bit, List<WordBit> bits) {
    boolean shared = bits.stream().filter(b -> b.name().equals(bit.name())).count() > 1;
    return shared ? "bit %d: %s".formatted(bit.bit(), bit.name()) : bit.name();
  }
}
