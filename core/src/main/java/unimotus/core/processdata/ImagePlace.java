package unimotus.core.processdata;

import unimotus.core.esi.PdoEntry;

/**
 * A value, or a gap, with its place in the image.
 *
 * @param pdo the process data object it is in
 * @param entry what stands there
 * @param bit the first bit, counted from the beginning of outputs or inputs
 */
public record ImagePlace(int pdo, PdoEntry entry, int bit) {

  /** The byte its first bit is in, from 0. */
  public int byteOffset() {
    return bit / Byte.SIZE;
  }

  /** Its first bit in that byte, 0 the least significant. */
  public int bitOffset() {
    return bit % Byte.SIZE;
  }

  /** The bit after its last. */
  public int end() {
    return bit + entry.bitLength();
  }

  /** What stands there, for people. */
  public String name() {
    return entry.isPadding() ? "padding of %d bit".formatted(entry.bitLength()) : entry.name();
  }

  /** Where it stands: byte and bit, such as {@code 4.0}. */
  public String place() {
    return byteOffset() + "." + bitOffset();
  }

  /**
   * What stands there.
   *
   * @param side all bytes of outputs or inputs, as many as the image has
   * @return its bits, the least significant first; what the last byte has more is 0
   */
  public byte[] taken(byte[] side) {
    byte[] value = new byte[(entry.bitLength() + Byte.SIZE - 1) / Byte.SIZE];
    for (int i = 0; i < entry.bitLength(); i++) {
      if ((side[(bit + i) / Byte.SIZE] >> (bit + i) % Byte.SIZE & 1) != 0) {
        value[i / Byte.SIZE] |= (byte) (1 << i % Byte.SIZE);
      }
    }
    return value;
  }

  /**
   * Puts something there; the bits beside it stay as they are.
   *
   * @param side all bytes of outputs or inputs, as many as the image has; changed in place
   * @param value its bits, the least significant first
   */
  public void put(byte[] side, byte[] value) {
    for (int i = 0; i < entry.bitLength(); i++) {
      int at = (bit + i) / Byte.SIZE;
      int mask = 1 << (bit + i) % Byte.SIZE;
      boolean isSet = (value[i / Byte.SIZE] >> i % Byte.SIZE & 1) != 0;
      side[at] = (byte) (isSet ? side[at] | mask : side[at] & ~mask);
    }
  }
}
