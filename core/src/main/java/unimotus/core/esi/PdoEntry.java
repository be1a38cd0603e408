package unimotus.core.esi;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * One value in a process data object, or a gap.
 *
 * @param index the object that is carried; 0 for padding, which carries none
 * @param movesWithSlot whether the number grows with the slot
 * @param subindex the part of the object
 * @param bitLength how many bits it takes
 * @param name its name; empty for padding
 * @param dataType its type, such as {@code UINT}; empty where none is said
 */
@RecordBuilder
public record PdoEntry(
    int index, boolean movesWithSlot, int subindex, int bitLength, String name, String dataType)
    implements PdoEntryBuilder.With {

  /** An entry of a device. */
  public static PdoEntry of(int index, int subindex, int bitLength, String name, String dataType) {
    return new PdoEntry(index, false, subindex, bitLength, name, dataType);
  }

  /** A gap of so many bits. */
  public static PdoEntry padding(int bits) {
    return new PdoEntry(0, false, 0, bits, "", "");
  }

  /** Whether it carries nothing and only keeps what follows in its place. */
  public boolean isPadding() {
    return index == 0;
  }

  /** The word by which a device is told what it maps: index, subindex and length (CiA 301). */
  public long mapping() {
    return (long) index << 16 | (long) subindex << 8 | bitLength;
  }
}
