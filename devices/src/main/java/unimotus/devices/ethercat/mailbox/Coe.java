package unimotus.devices.ethercat.mailbox;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Map;
import unimotus.core.esi.ObjectPart;

/** Numbers both sides of the object service use (CiA 301, ETG.1000.6; from memory). */
final class Coe {
  static final int EMERGENCY = 1;
  static final int REQUEST = 2;
  static final int RESPONSE = 3;
  static final int INFORMATION = 8;

  /** Bytes of the service number. */
  static final int SERVICE = 2;

  /** Bytes of command, index and subindex. */
  static final int OBJECT = 4;

  /** Bytes of a plain request or response. */
  static final int PLAIN = OBJECT + Integer.BYTES;

  /** What a segment carries more than the first part: it names no object and no size. */
  static final int SEGMENT_GAIN = 7;

  /** Bytes of the header of dictionary information. */
  static final int INFORMATION_HEADER = 4;

  // Commands, in the upper three bits of the first byte.
  static final int DOWNLOAD_SEGMENT = 0;
  static final int DOWNLOAD = 1;
  static final int UPLOAD = 2;
  static final int UPLOAD_SEGMENT = 3;
  static final int ABORT = 4;
  static final int COMMAND_SHIFT = 5;

  // What they are answered with, in the same bits; an upload and an abort with their own.
  static final int SEGMENT = 0;
  static final int SEGMENT_TAKEN = 1;
  static final int TAKEN = 3;

  static final int TOGGLE = 0x10;
  static final int COMPLETE = 0x10;
  static final int EXPEDITED = 0x02;
  static final int SIZE_TOLD = 0x01;
  static final int LAST_SEGMENT = 0x01;

  // What is asked of the dictionary.
  static final int LIST = 1;
  static final int OBJECT_DESCRIPTION = 3;
  static final int ENTRY_DESCRIPTION = 5;
  static final int INFORMATION_ERROR = 7;
  static final int MORE = 0x80;

  private static final Map<String, Integer> TYPES =
      Map.ofEntries(
          Map.entry("BOOL", 0x01),
          Map.entry("SINT", 0x02),
          Map.entry("INT", 0x03),
          Map.entry("DINT", 0x04),
          Map.entry("USINT", 0x05),
          Map.entry("UINT", 0x06),
          Map.entry("UDINT", 0x07),
          Map.entry("REAL", 0x08),
          Map.entry("LREAL", 0x11),
          Map.entry("LINT", 0x15),
          Map.entry("ULINT", 0x1B),
          Map.entry("BYTE", 0x1E),
          Map.entry("WORD", 0x1F),
          Map.entry("DWORD", 0x20),
          Map.entry("BIT1", 0x30),
          Map.entry("BIT2", 0x31),
          Map.entry("BIT3", 0x32),
          Map.entry("BIT4", 0x33));

  private static final int TEXT = 0x09;
  private static final int BYTES = 0x0A;

  private Coe() {}

  /** The number of a type; that of bytes for one that has none. */
  static int type(ObjectPart part) {
    return TYPES.getOrDefault(part.dataType(), isText(part) ? TEXT : BYTES);
  }

  static boolean isText(ObjectPart part) {
    return part.dataType().startsWith("STRING");
  }

  /** A body with its service number. */
  static byte[] body(int service, byte[] content) {
    return ByteBuffer.allocate(SERVICE + content.length)
        .order(ByteOrder.LITTLE_ENDIAN)
        .putShort((short) (service << 12))
        .put(content)
        .array();
  }

  static int service(byte[] body) {
    return (Byte.toUnsignedInt(body[0]) | Byte.toUnsignedInt(body[1]) << 8) >> 12;
  }

  static ByteBuffer buffer(int length) {
    return ByteBuffer.allocate(length).order(ByteOrder.LITTLE_ENDIAN);
  }

  static ByteBuffer wrap(byte[] bytes) {
    return ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
  }
}
