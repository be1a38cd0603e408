package unimotus.core.value;

/** What the words of a value mean. */
public enum ValueType {
  BIT("bit", 1, 0, 1),
  UNSIGNED_16("unsigned 16", 1, 0, 65_535),
  SIGNED_16("signed 16", 1, -32_768, 32_767),
  UNSIGNED_32("unsigned 32", 2, 0, 4_294_967_295.0),
  SIGNED_32("signed 32", 2, -2_147_483_648.0, 2_147_483_647.0),
  FLOAT_32("float 32", 2, -3.4028234663852886e38, 3.4028234663852886e38),
  /** Sixteen single bits, such as a control word. */
  BITS_16("bits 16", 1, 0, 65_535),
  /** Sixteen characters, two in a register, the first in the high byte. */
  TEXT_16("text 16", 8, 0, 0),
  /** Thirty-two characters. */
  TEXT_32("text 32", 16, 0, 0);

  private final String label;
  private final int words;
  private final double least;
  private final double most;

  ValueType(String label, int words, double least, double most) {
    this.label = label;
    this.words = words;
    this.least = least;
    this.most = most;
  }

  /** The words shown. */
  public String label() {
    return label;
  }

  /** Whether it is text and no number. */
  public boolean isText() {
    return this == TEXT_16 || this == TEXT_32;
  }

  /** How many words of sixteen bits it takes; a single bit takes one place. */
  public int words() {
    return words;
  }

  /** The least raw number it holds. */
  public double least() {
    return least;
  }

  /** The greatest raw number it holds. */
  public double most() {
    return most;
  }

  /**
   * The raw number in words of sixteen bits.
   *
   * @param words as many as {@link #words()}, the most significant first
   * @return not a number for text
   */
  public double decode(int[] words) {
    check(words);
    return switch (this) {
      case BIT -> words[0] == 0 ? 0 : 1;
      case UNSIGNED_16, BITS_16 -> words[0];
      case SIGNED_16 -> (short) words[0];
      case UNSIGNED_32 -> Integer.toUnsignedLong(words[0] << 16 | words[1]);
      case SIGNED_32 -> words[0] << 16 | words[1];
      case FLOAT_32 -> Float.intBitsToFloat(words[0] << 16 | words[1]);
      case TEXT_16, TEXT_32 -> Double.NaN;
    };
  }

  private void check(int[] words) {
    if (words.length != this.words) {
      throw new IllegalArgumentException(
          "%s takes %d registers, not %d".formatted(label, this.words, words.length));
    }
  }

  /** The text in words of sixteen bits, the first character in the high byte, up to the first 0. */
  public String text(int[] words) {
    check(words);
    StringBuilder text = new StringBuilder();
    for (int word : words) {
      text.append((char) (word >> 8)).append((char) (word & 0xFF));
    }
    int end = text.indexOf("\0");
    return (end < 0 ? text : text.substring(0, end)).toString().strip();
  }

  /**
   * A text in words of sixteen bits, filled up with zeros.
   *
   * @throws IllegalArgumentException where it is too long, or has characters of more than a byte
   */
  public int[] encode(String text) {
    if (!isText() || text.length() > 2 * words || text.chars().anyMatch(c -> c > 0xFF)) {
      throw new IllegalArgumentException("'%s' does not fit into %s".formatted(text, label));
    }
    int[] w = new int[words];
    for (int i = 0; i < text.length(); i++) {
      w[i / 2] |= text.charAt(i) << (i % 2 == 0 ? 8 : 0);
    }
    return w;
  }

  /**
   * The words of sixteen bits of a raw number, the most significant first.
   *
   * @throws IllegalArgumentException where it does not fit, naming the limits
   */
  public int[] encode(double raw) {
    if (isText()) {
      throw new IllegalArgumentException("a text is no number");
    }
    if (!(raw >= least && raw <= most)) {
      throw new IllegalArgumentException(
          "%s does not fit into %s, %s to %s".formatted(raw, label, least, most));
    }
    long number = this == FLOAT_32 ? Float.floatToIntBits((float) raw) : Math.round(raw);
    return words == 1
        ? new int[] {(int) (number & 0xFFFF)}
        : new int[] {(int) (number >> 16 & 0xFFFF), (int) (number & 0xFFFF)};
  }
}
