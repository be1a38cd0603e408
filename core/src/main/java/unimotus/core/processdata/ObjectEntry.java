package unimotus.core.processdata;

import unimotus.core.value.DriveValue;
import unimotus.core.value.HeldValue;
import unimotus.core.value.PlacedValue;

/**
 * A value that stands in an object of a station.
 *
 * @param value what it is; a number
 * @param index the object
 * @param subindex its part
 */
public record ObjectEntry(DriveValue value, int index, int subindex) implements PlacedValue {

  /** Refuses text and numbers that no object has. */
  public ObjectEntry {
    if (value.type().isText()) {
      throw new IllegalArgumentException("%s: text stands in no entry".formatted(value.name()));
    }
    if (index < 0 || index > 0xFFFF || subindex < 0 || subindex > 0xFF) {
      throw new IllegalArgumentException(
          "%s: 0x%X:%d lies outside 0x0000:0 to 0xFFFF:255"
              .formatted(value.name(), index, subindex));
    }
  }

  @Override
  public String sign() {
    return "0x%04X:%d".formatted(index, subindex);
  }

  @Override
  public String where() {
    String step = value.step();
    return "object %s, %s%s"
        .formatted(sign(), value.type().label(), step.isEmpty() ? "" : ", " + step);
  }

  /** How many bytes it takes. */
  public int length() {
    return Short.BYTES * value.type().words();
  }

  /** What bytes say, the least significant first. */
  public HeldValue read(byte[] bytes) {
    int[] words = new int[value.type().words()];
    for (int i = 0; i < words.length; i++) {
      int at = Short.BYTES * (words.length - 1 - i);
      words[i] = Byte.toUnsignedInt(bytes[at]) | Byte.toUnsignedInt(bytes[at + 1]) << Byte.SIZE;
    }
    return new HeldValue.Number(value.scaling().value(value.type().decode(words)));
  }

  /**
   * The bytes of a value, the least significant first.
   *
   * @throws IllegalArgumentException where it does not fit
   */
  public byte[] bytes(double number) {
    int[] words = value.type().encode(value.scaling().raw(number));
    byte[] bytes = new byte[Short.BYTES * words.length];
    for (int i = 0; i < words.length; i++) {
      int at = Short.BYTES * (words.length - 1 - i);
      bytes[at] = (byte) words[i];
      bytes[at + 1] = (byte) (words[i] >> Byte.SIZE);
    }
    return bytes;
  }

  /** The bytes of the value nearest to this one that its type holds. */
  public byte[] heldBytes(double number) {
    return bytes(value.held(number));
  }
}
