package unimotus.core.fieldbus;

/** What the words of a value mean. */
public enum RegisterType {
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

  RegisterType(String label, int words, double least, double most) {
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

  /** How many places it takes. */
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
   * The raw number in words as they came over the wire.
   *
   * @param words as many as {@link #words()}
   */
  public double decode(int[] words, WordOrder order) {
    if (words.length != this.words) {
      throw new IllegalArgumentException(
          "%s takes %d registers, not %d".formatted(label, this.words, words.length));
    }
    int[] w = isText() ? words : order.arrange(words);
    return switch (this) {
      case BIT -> w[0] == 0 ? 0 : 1;
      case UNSIGNED_16, BITS_16 -> w[0];
      case SIGNED_16 -> (short) w[0];
      case UNSIGNED_32 -> Integer.toUnsignedLong(w[0] << 16 | w[1]);
      case SIGNED_32 -> w[0] << 16 | w[1];
      case FLOAT_32 -> Float.intBitsToFloat(w[0] << 16 | w[1]);
      case TEXT_16, TEXT_32 -> Double.NaN;
    };
  }

  /** The text in words as they came over the wire, up to the first zero. */
  String text(int[] words, WordOrder order) {
    StringBuilder text = new StringBuilder();
    boolean swapped = order == WordOrder.BADC || order == WordOrder.DCBA;
    for (int word : words) {
      text.append((char) (swapped ? word & 0xFF : word >> 8));
      text.append((char) (swapped ? word >> 8 : word & 0xFF));
    }
    int end = text.indexOf("\0");
    return (end < 0 ? text : text.substring(0, end)).toString().strip();
  }

  /**
   * The words of a raw number as they go over the wire.
   *
   * @throws IllegalArgumentException where it does not fit, naming the limits
   */
  public int[] encode(double raw, WordOrder order) {
    if (isText()) {
      throw new IllegalArgumentException("a text is no number");
    }
    if (!(raw >= least && raw <= most)) {
      throw new IllegalArgumentException(
          "%s does not fit into %s, %s to %s".formatted(raw, label, least, most));
    }
    long number = this == FLOAT_32 ? Float.floatToIntBits((float) raw) : Math.round(raw);
    int[] w =
        words == 1
            ? new int[] {(int) (number & 0xFFFF)}
            : new int[] {(int) (number >> 16 & 0xFFFF), (int) (number & 0xFFFF)};
    return order.arrange(w);
  }
}
