package unimotus.devices.modbus;

import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;

/**
 * A frame with every byte explained.
 *
 * @param serial whether it is one of a serial line, else of TCP
 * @param parts all bytes, in order
 * @param fault what is wrong with it; empty where nothing is
 */
public record ExplainedFrame(boolean serial, List<FramePart> parts, String fault) {
  private static final HexFormat HEX = HexFormat.ofDelimiter(" ").withUpperCase();

  /** Takes a copy. */
  public ExplainedFrame {
    parts = List.copyOf(parts);
  }

  /**
   * Reads bytes pasted from anywhere: with spaces, colons, commas, 0x or nothing between them.
   *
   * @throws IllegalArgumentException where they are no bytes
   */
  public static byte[] bytes(String text) {
    String digits = text.replaceAll("(?i)0x|[\\s:,;\\-]", "");
    if (digits.isEmpty() || digits.length() % 2 != 0 || !digits.matches("[0-9A-Fa-f]+")) {
      throw new IllegalArgumentException(
          "'%s' are no bytes: pairs of hexadecimal digits".formatted(text.strip()));
    }
    return HexFormat.of().parseHex(digits);
  }

  /**
   * Explains a frame. Whether it is serial or TCP is told by its check and its header.
   *
   * @param answer whether it is an answer, which has other fields than a request
   */
  public static ExplainedFrame of(byte[] frame, boolean answer) {
    return new Explainer(frame, answer).explained(isSerial(frame));
  }

  /** The unit it is for, or from; 0 where it is too short. */
  public int unit() {
    return parts.stream()
        .filter(p -> p.name().equals("unit"))
        .findFirst()
        .map(p -> Integer.parseInt(p.bytes(), 16))
        .orElse(0);
  }

  /** Its function in words. */
  public String function() {
    return parts.stream()
        .filter(p -> p.name().equals("function"))
        .findFirst()
        .map(FramePart::meaning)
        .map(m -> m.replaceFirst("^\\d+, ", ""))
        .orElse("no function");
  }

  /** The name of a function code. */
  public static String functionName(int function) {
    return switch (function) {
      case 1 -> "read coils";
      case 2 -> "read discrete inputs";
      case 3 -> "read holding registers";
      case 4 -> "read input registers";
      case 5 -> "write one coil";
      case 6 -> "write one register";
      case 15 -> "write coils";
      case 16 -> "write registers";
      case 22 -> "mask write register";
      case 23 -> "write and read registers";
      case 43 -> "encapsulated interface";
      default -> "not spoken here";
    };
  }

  private static boolean isSerial(byte[] frame) {
    boolean tcp =
        frame.length > TcpFrame.HEADER
            && frame[2] == 0
            && frame[3] == 0
            && ((frame[4] & 0xFF) << 8 | frame[5] & 0xFF) == frame.length - 6;
    return !tcp;
  }

  /** Goes through the bytes of one frame. */
  private static final class Explainer {
    private final byte[] frame;
    private final boolean answer;
    private final List<FramePart> parts = new ArrayList<>();
    private int at;
    private int end;

    Explainer(byte[] frame, boolean answer) {
      this.frame = frame;
      this.answer = answer;
    }

    ExplainedFrame explained(boolean serial) {
      String fault = "";
      end = serial ? Math.max(0, frame.length - 2) : frame.length;
      if (!serial) {
        word("transaction", "the answer says it again");
        word("protocol", "0 is Modbus");
        int length = word("length", "bytes that follow");
        if (length != frame.length - 6) {
          fault = "the length says %d, %d bytes follow".formatted(length, frame.length - 6);
        }
      }
      octet("unit", "");
      message();
      if (at < end) {
        part(end - at, "left over", "no field of this function");
        fault = fault.isEmpty() ? "bytes are left over" : fault;
      }
      end = frame.length;
      return new ExplainedFrame(serial, parts, serial ? check(fault) : fault);
    }

    private String check(String fault) {
      if (frame.length < 4) {
        return "a serial frame has 4 bytes or more";
      }
      int bare = frame.length - 2;
      int meant = Crc16.of(frame, bare);
      int told = frame[bare] & 0xFF | (frame[bare + 1] & 0xFF) << 8;
      String says = "low byte first; the bytes give %04X".formatted(meant);
      part(2, "check", told == meant ? says : says + ", not " + "%04X".formatted(told));
      return told == meant ? fault : "the check is wrong";
    }

    private void message() {
      int function = peek();
      if (function > 0x7F) {
        octet("function", "refusal of function %d".formatted(function & 0x7F));
        int code = peek();
        octet(
            "exception",
            ExceptionCode.of(code)
                .map(e -> e.label() + ": " + e.meaning())
                .orElse("not in the specification"));
        return;
      }
      octet("function", functionName(function));
      if (answer) {
        answered(function);
      } else {
        asked(function);
      }
    }

    private void asked(int function) {
      switch (function) {
        case 1, 2, 3, 4 -> {
          word("address", "from 0");
          word("count", "how many");
        }
        case 5, 6 -> {
          word("address", "from 0");
          word("value", function == 5 ? "FF00 sets, 0000 clears" : "");
        }
        case 15, 16 -> {
          word("address", "from 0");
          word("count", "how many");
          values(octet("byte count", "bytes of values"), function == 16);
        }
        case 22 -> mask();
        case 23 -> {
          word("read address", "from 0");
          word("read count", "how many");
          word("write address", "from 0");
          word("write count", "how many");
          values(octet("byte count", "bytes of values"), true);
        }
        case 43 -> {
          octet("interface", "14 is device identification");
          octet("code", "1 basic, 2 regular, 3 extended, 4 one object");
          octet("object", "the first wanted");
        }
        default -> rest();
      }
    }

    private void answered(int function) {
      switch (function) {
        case 1, 2 -> values(octet("byte count", "bytes of bits"), false);
        case 3, 4, 23 -> values(octet("byte count", "bytes of registers"), true);
        case 5, 6 -> {
          word("address", "said again");
          word("value", "said again");
        }
        case 15, 16 -> {
          word("address", "said again");
          word("count", "so many were written");
        }
        case 22 -> mask();
        default -> rest();
      }
    }

    private void mask() {
      word("address", "from 0");
      word("and-mask", "bits that stay");
      word("or-mask", "bits that are set among the others");
    }

    private void values(int bytes, boolean words) {
      for (int i = 0; words && i < bytes / 2 && at + 1 < end; i++) {
        word("register %d".formatted(i), "");
      }
      if (!words && at < end) {
        part(Math.min(bytes, end - at), "bits", "the first in the least place");
      }
    }

    private void rest() {
      if (at < end) {
        part(end - at, "data", "");
      }
    }

    private int peek() {
      return at < end ? frame[at] & 0xFF : 0;
    }

    private int octet(String name, String meaning) {
      int value = peek();
      if (at < end) {
        part(1, name, number(value, meaning));
      }
      return value;
    }

    private int word(String name, String meaning) {
      if (at + 1 >= end) {
        rest();
        return 0;
      }
      int value = (frame[at] & 0xFF) << 8 | frame[at + 1] & 0xFF;
      part(2, name, number(value, meaning));
      return value;
    }

    private static String number(int value, String meaning) {
      return meaning.isEmpty() ? String.valueOf(value) : value + ", " + meaning;
    }

    private void part(int length, String name, String meaning) {
      parts.add(new FramePart(at, HEX.formatHex(frame, at, at + length), name, meaning));
      at += length;
    }
  }
}
