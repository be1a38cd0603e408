package unimotus.devices.modbus;

/** How long a frame on a serial line is, told from its first bytes. */
final class RtuLength {
  /** Not to be told: it ends with the silence after it. */
  static final int BY_SILENCE = -1;

  /** Too few bytes are there to tell. */
  static final int NOT_YET = 0;

  private static final int SHORT_FRAME = 8;
  private static final int MASK_FRAME = 10;
  private static final int REFUSAL = 5;
  private static final int IDENTIFY = 7;

  private RtuLength() {}

  /** Of a request. */
  static int request(byte[] bytes, int count) {
    if (count < 2) {
      return NOT_YET;
    }
    return switch (bytes[1] & 0xFF) {
      case 1, 2, 3, 4, 5, 6 -> SHORT_FRAME;
      case 15, 16 -> counted(bytes, count, 6);
      case 22 -> MASK_FRAME;
      case 23 -> counted(bytes, count, 10);
      case 43 -> IDENTIFY;
      default -> BY_SILENCE;
    };
  }

  /** Of an answer. */
  static int answer(byte[] bytes, int count) {
    if (count < 2) {
      return NOT_YET;
    }
    int function = bytes[1] & 0xFF;
    if (function > 0x7F) {
      return REFUSAL;
    }
    return switch (function) {
      case 1, 2, 3, 4, 23 -> counted(bytes, count, 2);
      case 5, 6, 15, 16 -> SHORT_FRAME;
      case 22 -> MASK_FRAME;
      default -> BY_SILENCE;
    };
  }

  /** A frame that tells at one place how many bytes follow before its check. */
  private static int counted(byte[] bytes, int count, int at) {
    return count <= at ? NOT_YET : at + 1 + (bytes[at] & 0xFF) + 2;
  }
}
