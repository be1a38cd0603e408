package unimotus.devices.ethercat.mailbox;

import unimotus.core.processdata.ObjectAbort;
import unimotus.devices.ethercat.TelegramParts;

/** A mail taken apart for a reader (ETG.1000.4 and .6, CiA 301; from memory). */
public final class ExplainedMail {
  private static final int MOST_PRIORITY = 3;
  private static final int SMALL = 7;

  private ExplainedMail() {}

  /**
   * Whether data are a mail, by the header: a length that fits, a type of the standard, and no
   * reserved bits set.
   */
  public static boolean isOne(byte[] data) {
    if (data.length < Mail.HEADER) {
      return false;
    }
    int length = Byte.toUnsignedInt(data[0]) | Byte.toUnsignedInt(data[1]) << Byte.SIZE;
    return length > 0
        && length <= data.length - Mail.HEADER
        && (data[4] & 0x3F) == 0
        && data[Mail.HEADER - 1] >= 0
        && !type(data[Mail.HEADER - 1] & 0xF).isEmpty();
  }

  private static String type(int number) {
    return switch (number) {
      case Mail.ERROR -> "error";
      case 1 -> "AoE, to devices behind it";
      case 2 -> "EoE, Ethernet";
      case Mail.OBJECTS -> "CoE, objects";
      case 4 -> "FoE, files";
      case 5 -> "SoE, parameters of a servo profile";
      case 15 -> "of the manufacturer";
      default -> "";
    };
  }

  /**
   * Takes a mail, and what lies behind it in its mailbox.
   *
   * @param length of the data; they have to be {@linkplain #isOne one}
   */
  public static void take(int length, TelegramParts parts) {
    int end = parts.at() + length;
    int body = (int) parts.number(0, 2);
    parts.take(2, "mail length", "%d bytes".formatted(body));
    parts.take(2, "mail address", "%d".formatted(parts.number(0, 2)));
    parts.take(1, "priority", "%d of 0 to %d".formatted(parts.number(0, 1) >> 6, MOST_PRIORITY));
    int last = (int) parts.number(0, 1);
    int counter = last >> 4 & SMALL;
    parts.take(
        1,
        "mail type",
        "%s%s".formatted(type(last & 0xF), counter == 0 ? ", not counted" : ", mail " + counter));
    int bodyEnd = parts.at() + body;
    if ((last & 0xF) == Mail.OBJECTS && body >= Coe.SERVICE) {
      service(bodyEnd, parts);
    } else if ((last & 0xF) == Mail.ERROR && body >= 4) {
      parts.take(2, "error", "%d".formatted(parts.number(0, 2)));
      parts.take(
          2, "what is wrong", String.valueOf(new MailFault((int) parts.number(0, 2)).getMessage()));
    }
    parts.take(bodyEnd - parts.at(), "content", "");
    parts.take(end - parts.at(), "rest of the mailbox", "");
  }

  private static void service(int end, TelegramParts parts) {
    int service = (int) parts.number(0, 2) >> 12;
    parts.take(2, "service", words(service));
    int left = end - parts.at();
    if ((service == Coe.REQUEST || service == Coe.RESPONSE) && left >= 1) {
      access(service == Coe.REQUEST, end, parts);
    } else if (service == Coe.INFORMATION && left >= Coe.INFORMATION_HEADER) {
      information(end, parts);
    } else if (service == Coe.EMERGENCY && left >= 3) {
      parts.take(2, "error code", "0x%04X".formatted(parts.number(0, 2)));
      parts.take(1, "error register", "0x%02X".formatted(parts.number(0, 1)));
    }
  }

  private static String words(int service) {
    return switch (service) {
      case Coe.EMERGENCY -> "emergency";
      case Coe.REQUEST -> "request of an object";
      case Coe.RESPONSE -> "answer about an object";
      case 4, 6 -> "inputs as a mail";
      case 5, 7 -> "outputs as a mail";
      case Coe.INFORMATION -> "dictionary";
      default -> "%d, not in the standard".formatted(service);
    };
  }

  private static void access(boolean isRequest, int end, TelegramParts parts) {
    int command = (int) parts.number(0, 1);
    int kind = command >> Coe.COMMAND_SHIFT;
    boolean isAbort = kind == Coe.ABORT;
    boolean isSegment =
        isRequest
            ? kind == Coe.DOWNLOAD_SEGMENT || kind == Coe.UPLOAD_SEGMENT
            : kind == Coe.SEGMENT || kind == Coe.SEGMENT_TAKEN;
    boolean hasSegmentData = isSegment && kind == 0;
    int left = end - parts.at() - 1;
    parts.take(1, "command", command(isRequest, command));
    if (hasSegmentData) {
      int empty = left == SMALL ? command >> 1 & SMALL : 0;
      parts.take(left - Math.min(empty, left), "segment", "");
    } else if (!isSegment && left >= 3) {
      parts.take(2, "object", "0x%04X".formatted(parts.number(0, 2)));
      parts.take(1, "subindex", "%d".formatted(parts.number(0, 1)));
      if (end - parts.at() >= Integer.BYTES) {
        value(isRequest, isAbort, command, end, parts);
      }
    }
  }

  /** The four bytes behind the subindex, and what follows where they are a size. */
  private static void value(
      boolean isRequest, boolean isAbort, int command, int end, TelegramParts parts) {
    if (isAbort) {
      parts.take(Integer.BYTES, "abort", ObjectAbort.told((int) parts.number(0, Integer.BYTES)));
      return;
    }
    int kind = command >> Coe.COMMAND_SHIFT;
    boolean carries = isRequest ? kind == Coe.DOWNLOAD : kind == Coe.UPLOAD;
    if (!carries) {
      parts.take(Integer.BYTES, "unused", "");
    } else if ((command & Coe.EXPEDITED) != 0) {
      int empty = (command & Coe.SIZE_TOLD) != 0 ? command >> 2 & 0b11 : 0;
      int length = Integer.BYTES - empty;
      long number = parts.number(0, length);
      parts.take(length, "value", "%d, 0x%X".formatted(number, number));
      parts.take(empty, "unused", "");
    } else {
      parts.take(Integer.BYTES, "size", "%d bytes".formatted(parts.number(0, Integer.BYTES)));
      parts.take(end - parts.at(), "value", "");
    }
  }

  private static String command(boolean isRequest, int command) {
    int kind = command >> Coe.COMMAND_SHIFT;
    String toggle = (command & Coe.TOGGLE) != 0 ? ", toggle 1" : ", toggle 0";
    String last = (command & Coe.LAST_SEGMENT) != 0 ? ", the last one" : ", more follow";
    if (kind == Coe.ABORT) {
      return "abort";
    }
    if (isRequest) {
      return switch (kind) {
        case Coe.DOWNLOAD -> "write" + manner(command);
        case Coe.UPLOAD -> "read" + complete(command);
        case Coe.DOWNLOAD_SEGMENT -> "write a segment" + toggle + last;
        case Coe.UPLOAD_SEGMENT -> "read a segment" + toggle;
        default -> "%d, not in the standard".formatted(kind);
      };
    }
    return switch (kind) {
      case Coe.TAKEN -> "written" + complete(command);
      case Coe.UPLOAD -> "read" + manner(command);
      case Coe.SEGMENT_TAKEN -> "segment written" + toggle;
      case Coe.SEGMENT -> "segment read" + toggle + last;
      default -> "%d, not in the standard".formatted(kind);
    };
  }

  private static String manner(int command) {
    return ((command & Coe.EXPEDITED) != 0 ? ", the value with it" : ", the size with it")
        + complete(command);
  }

  private static String complete(int command) {
    return (command & Coe.COMPLETE) != 0 ? ", the whole object" : "";
  }

  private static void information(int end, TelegramParts parts) {
    int asked = (int) parts.number(0, 1);
    parts.take(
        1,
        "question",
        question(asked & (Coe.MORE - 1)) + ((asked & Coe.MORE) != 0 ? ", incomplete" : ""));
    parts.take(1, "reserved", "");
    parts.take(2, "parts that follow", "%d".formatted(parts.number(0, 2)));
    int left = end - parts.at();
    switch (asked & (Coe.MORE - 1)) {
      case Coe.LIST, Coe.LIST + 1 -> {
        if (left >= 2) {
          parts.take(2, "which list", "%d".formatted(parts.number(0, 2)));
        }
      }
      case Coe.OBJECT_DESCRIPTION,
          Coe.OBJECT_DESCRIPTION + 1,
          Coe.ENTRY_DESCRIPTION,
          Coe.ENTRY_DESCRIPTION + 1 -> {
        if (left >= 2) {
          parts.take(2, "object", "0x%04X".formatted(parts.number(0, 2)));
        }
      }
      case Coe.INFORMATION_ERROR -> {
        if (left >= Integer.BYTES) {
          parts.take(
              Integer.BYTES, "abort", ObjectAbort.told((int) parts.number(0, Integer.BYTES)));
        }
      }
      default -> {
        // What follows is told as content.
      }
    }
  }

  private static String question(int number) {
    return switch (number) {
      case Coe.LIST -> "which objects are there";
      case Coe.LIST + 1 -> "objects that are there";
      case Coe.OBJECT_DESCRIPTION -> "what is the object";
      case Coe.OBJECT_DESCRIPTION + 1 -> "what the object is";
      case Coe.ENTRY_DESCRIPTION -> "what is the part of the object";
      case Coe.ENTRY_DESCRIPTION + 1 -> "what the part of the object is";
      case Coe.INFORMATION_ERROR -> "an error";
      default -> "%d, not in the standard".formatted(number);
    };
  }
}
