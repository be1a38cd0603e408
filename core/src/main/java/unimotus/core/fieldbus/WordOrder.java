package unimotus.core.fieldbus;

import unimotus.core.value.ValueType;

/** How the bytes of a value of two registers lie on the wire; A is the most significant. */
public enum WordOrder {
  /** High word first, high byte first. */
  ABCD,
  /** Low word first. */
  CDAB,
  /** High word first, bytes of each word exchanged. */
  BADC,
  /** Low word first, bytes of each word exchanged. */
  DCBA;

  /** Words as they lie on the wire from words with the most significant first, or back again. */
  int[] arrange(int[] words) {
    int[] arranged = new int[words.length];
    boolean lowFirst = this == CDAB || this == DCBA;
    boolean swapped = this == BADC || this == DCBA;
    for (int i = 0; i < words.length; i++) {
      int word = words[lowFirst ? words.length - 1 - i : i];
      arranged[i] = swapped ? (word & 0xFF) << 8 | word >> 8 : word;
    }
    return arranged;
  }

  /**
   * The words of a raw number as they go over the wire.
   *
   * @throws IllegalArgumentException where it does not fit, naming the limits
   */
  public int[] words(ValueType type, double raw) {
    return arrange(type.encode(raw));
  }

  /** The raw number in words as they came over the wire; not a number for text. */
  public double raw(ValueType type, int[] words) {
    return type.decode(arrange(words));
  }

  /** Characters lie in the order they are read; only the two of a word may be exchanged. */
  int[] arrangeText(int[] words) {
    return this == BADC || this == DCBA ? BADC.arrange(words) : words.clone();
  }
}
