package unimotus.core.fieldbus;

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
}
