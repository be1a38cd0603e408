package unimotus.devices.modbus;

/** How long a frame on a serial line is, told from its first bytes. */
public final class RtuLength {
  /** Not to be told: it ends with the silence after it. */
  public static final int BY_SILENCE = -1;

  /** Too few bytes are there to tell. */
  public static final int NOT_YET = 0;

  private static final int BARE_FRAME = 4;
  private static final int REFUSAL = 5;
  private static final int FIFO_REQUEST = 6;
  private static final int IDENTIFY = 7;
  private static final int SHORT_FRAME = 8;
  private static final int MASK_FRAME = 10;

  /** Unit, function and check around what a wide count counts, and the count. */
  private static final int AROUND_WIDE_COUNT = 6;

  private static final int READ_DEVICE_ID = 14;

  private RtuLength() {}

  /** Of a request. */
  public static int request(byte[] bytes, int count) {
    if (count < 2) {
      return NOT_YET;
    }
    return switch (bytes[1] & 0xFF) {
      case 1, 2, 3, 4, 5, 6 -> SHORT_FRAME;
      case 7, 11, 12, 17 -> BARE_FRAME;
      case 8 -> diagnostics(bytes, count);
      case 15, 16 -> counted(bytes, count, 6);
      case 20, 21 -> counted(bytes, count, 2);
      case 22 -> MASK_FRAME;
      case 23 -> counted(bytes, count, 10);
      case 24 -> FIFO_REQUEST;
      case 43 -> interfaced(bytes, count, IDENTIFY);
      default -> BY_SILENCE;
    };
  }

  /** Of an answer. */
  public static int answer(byte[] bytes, int count) {
    if (count < 2) {
      return NOT_YET;
    }
    int function = bytes[1] & 0xFF;
    if (function >= FunctionCode.REFUSED) {
      return REFUSAL;
    }
    return switch (function) {
      case 1, 2, 3, 4, 12, 17, 20, 21, 23 -> counted(bytes, count, 2);
      case 5, 6, 11, 15, 16 -> SHORT_FRAME;
      case 7 -> REFUSAL;
      case 8 -> diagnostics(bytes, count);
      case 22 -> MASK_FRAME;
      case 24 -> count < 4 ? NOT_YET : AROUND_WIDE_COUNT + word(bytes, 2);
      case 43 -> identity(bytes, count);
      default -> BY_SILENCE;
    };
  }

  /** A frame that tells at one place how many bytes follow before its check. */
  private static int counted(byte[] bytes, int count, int at) {
    return count <= at ? NOT_YET : at + 1 + (bytes[at] & 0xFF) + 2;
  }

  /** An echo (subfunction 0) may be of any length; the others carry one word. */
  private static int diagnostics(byte[] bytes, int count) {
    if (count < 4) {
      return NOT_YET;
    }
    return word(bytes, 2) == 0 ? BY_SILENCE : SHORT_FRAME;
  }

  private static int interfaced(byte[] bytes, int count, int identify) {
    if (count < 3) {
      return NOT_YET;
    }
    return bytes[2] == READ_DEVICE_ID ? identify : BY_SILENCE;
  }

  /** The objects of a device identification tell one after the other how long they are. */
  private static int identity(byte[] bytes, int count) {
    int objects = 7;
    int head = interfaced(bytes, count, objects + 1);
    if (head <= 0 || count < head) {
      return Math.min(head, NOT_YET);
    }
    int at = head;
    for (int i = 0; i < (bytes[objects] & 0xFF); i++) {
      if (count < at + 2) {
        return NOT_YET;
      }
      at += 2 + (bytes[at + 1] & 0xFF);
    }
    return at + 2;
  }

  private static int word(byte[] bytes, int at) {
    return (bytes[at] & 0xFF) << 8 | bytes[at + 1] & 0xFF;
  }
}
