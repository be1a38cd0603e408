package unimotus.devices.ethercat.station;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/** The memory of a station: registers, then what mailbox and process data use. */
final class StationMemory {
  /** Registers and 16 KiB. */
  static final int SIZE = 0x5000;

  private final byte[] bytes = new byte[SIZE];
  private final ByteBuffer view = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);

  /** Whether it has all bytes of a place. */
  static boolean has(int at, int length) {
    return at >= 0 && at + length <= SIZE;
  }

  int octet(int at) {
    return Byte.toUnsignedInt(bytes[at]);
  }

  int word(int at) {
    return Short.toUnsignedInt(view.getShort(at));
  }

  int doubleWord(int at) {
    return view.getInt(at);
  }

  long quadWord(int at) {
    return view.getLong(at);
  }

  void putOctet(int at, int value) {
    bytes[at] = (byte) value;
  }

  void putWord(int at, int value) {
    view.putShort(at, (short) value);
  }

  void putDoubleWord(int at, int value) {
    view.putInt(at, value);
  }

  void putQuadWord(int at, long value) {
    view.putLong(at, value);
  }

  void put(int at, byte[] data) {
    System.arraycopy(data, 0, bytes, at, data.length);
  }

  byte[] copy(int at, int length) {
    byte[] copy = new byte[length];
    System.arraycopy(bytes, at, copy, 0, length);
    return copy;
  }
}
