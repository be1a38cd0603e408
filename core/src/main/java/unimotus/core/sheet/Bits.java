package unimotus.core.sheet;

/** The limits of a converter's resolution. */
final class Bits {
  private static final int FEWEST = 8;
  private static final int MOST = 24;

  private Bits() {}

  static void check(String sheetId, int bits) {
    if (bits < FEWEST || bits > MOST) {
      throw new IllegalArgumentException(
          "sheet %s: converterBits is %d; a converter has %d to %d"
              .formatted(sheetId, bits, FEWEST, MOST));
    }
  }
}
