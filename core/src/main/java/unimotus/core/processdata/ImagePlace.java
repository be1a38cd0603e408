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
}
