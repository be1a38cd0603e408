package unimotus.devices.ethercat.station;

import unimotus.devices.ethercat.Place;

/**
 * What of the logical memory stands where in a station, bit by bit.
 *
 * @param start the first byte in logical memory
 * @param length how many bytes it touches there
 * @param startBit the first bit in the first byte
 * @param endBit the last bit in the last byte
 * @param place the byte in the station where the first bit stands
 * @param placeBit the bit in it
 * @param reads whether it is read
 * @param writes whether it is written
 */
record MemoryMapping(
    long start,
    int length,
    int startBit,
    int endBit,
    int place,
    int placeBit,
    boolean reads,
    boolean writes) {
  /** How many a station has. */
  static final int COUNT = 8;

  private static final int REGISTERS = 16;
  private static final int BIT = 0x07;

  static MemoryMapping of(StationMemory memory, int number) {
    int at = Place.MAPPINGS + REGISTERS * number;
    boolean active = (memory.octet(at + 12) & 1) != 0;
    return new MemoryMapping(
        Integer.toUnsignedLong(memory.doubleWord(at)),
        active ? memory.word(at + 4) : 0,
        memory.octet(at + 6) & BIT,
        memory.octet(at + 7) & BIT,
        memory.word(at + 8),
        memory.octet(at + 10) & BIT,
        (memory.octet(at + 11) & 1) != 0,
        (memory.octet(at + 11) & 2) != 0);
  }

  /** The byte behind its last one in logical memory. */
  long end() {
    return start + length;
  }

  /** How many bytes in the station it touches. */
  int physicalBytes() {
    return (placeBit + bits() + Byte.SIZE - 1) / Byte.SIZE;
  }

  /** Whether some of these bytes of the logical memory are in it. */
  boolean touches(long at, int size) {
    return length > 0 && at < end() && at + size > start;
  }

  /** Whether whole bytes stand in whole bytes. */
  boolean isOfBytes() {
    return startBit == 0 && placeBit == 0 && endBit == Byte.SIZE - 1;
  }

  /** How many bits it carries. */
  int bits() {
    return Byte.SIZE * (length - 1) + endBit - startBit + 1;
  }
}
