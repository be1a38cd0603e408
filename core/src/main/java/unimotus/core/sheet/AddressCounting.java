package unimotus.core.sheet;

/** What the number of a word's address counts on a controller; both are common practice. */
public enum AddressCounting {
  /** Bytes: the channel after {@code %QW80} is {@code %QW82}; eight bits to a byte. */
  BYTES("bytes", 8),
  /** Words: the channel after {@code %QW80} is {@code %QW81}; sixteen bits to a word. */
  WORDS("words", 16);

  private final String label;
  private final int unitBits;

  AddressCounting(String label, int unitBits) {
    this.label = label;
    this.unitBits = unitBits;
  }

  /** The words shown. */
  public String label() {
    return label;
  }

  /** Bits from one number to the next. */
  public int unitBits() {
    return unitBits;
  }
}
