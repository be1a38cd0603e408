package unimotus.devices.modbus.explain;

import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;

/**
 * Goes through the bytes of a frame field by field. Every byte becomes part of exactly one field;
 * where the bytes end early that is told once, and later fields read as {@link #NONE}.
 */
final class FieldReader {
  /** What a field reads as that is not there. */
  static final int NONE = -1;

  private static final HexFormat HEX = HexFormat.ofDelimiter(" ").withUpperCase();

  private final byte[] frame;
  private final List<FramePart> parts = new ArrayList<>();
  private final List<String> faults = new ArrayList<>();
  private int at;
  private int end;
  private boolean ended;

  FieldReader(byte[] frame) {
    this.frame = frame.clone();
    this.end = frame.length;
  }

  /** Fields end before this byte. */
  void endAt(int place) {
    end = Math.max(at, place);
  }

  int remaining() {
    return ended ? 0 : end - at;
  }

  /** The byte after next, without taking it; {@link #NONE} where it is not there. */
  int peek(int ahead) {
    return at + ahead < end ? frame[at + ahead] & 0xFF : NONE;
  }

  /** A byte. */
  int octet(String name, String meaning) {
    return number(1, name, meaning);
  }

  /** Two bytes, the high one first. */
  int word(String name, String meaning) {
    return number(2, name, meaning);
  }

  /** A byte or word that must lie within limits. */
  int limited(int bytes, String name, String meaning, int least, int most) {
    int value = number(bytes, name, meaning);
    if (value != NONE && (value < least || value > most)) {
      illegal("%s %d is illegal: %d to %d".formatted(name, value, least, most));
    }
    return value;
  }

  /** Bytes that are no number. */
  void data(int bytes, String name, String meaning) {
    int there = Math.min(bytes, remaining());
    if (there > 0) {
      part(there, name, meaning);
    }
    if (there < bytes) {
      cut(name);
    }
  }

  /** Bytes as text. */
  void text(int bytes, String name) {
    StringBuilder text = new StringBuilder();
    for (int i = 0; i < Math.min(bytes, remaining()); i++) {
      int one = peek(i);
      text.append(one >= ' ' && one < 0x7F ? (char) one : '·');
    }
    data(bytes, name, "'" + text + "'");
  }

  /** What follows is no field. */
  void leftOver(String why) {
    if (!ended && at < end) {
      int bytes = end - at;
      part(bytes, "left over", why);
      illegal("%d byte%s left over".formatted(bytes, bytes == 1 ? " is" : "s are"));
    }
  }

  /** Whether fields can still be read. */
  boolean goesOn() {
    return !ended;
  }

  /** The last field is wrong. */
  void illegal(String words) {
    faults.add(words);
    if (!parts.isEmpty()) {
      parts.set(parts.size() - 1, parts.get(parts.size() - 1).faulted(words));
    }
  }

  /** The frame as a whole is wrong. */
  void wrong(String words) {
    faults.add(words);
  }

  /** The two bytes of a serial check, after everything else. */
  void check(int told, int meant) {
    end = frame.length;
    part(2, "check", "low byte first; the bytes give %04X".formatted(meant));
    if (told != meant) {
      illegal("the check is wrong: %04X, the bytes give %04X".formatted(told, meant));
    }
  }

  ExplainedFrame explained(boolean serial) {
    return new ExplainedFrame(serial, parts, faults);
  }

  private int number(int bytes, String name, String meaning) {
    if (remaining() < bytes) {
      cut(name);
      return NONE;
    }
    int value = bytes == 1 ? peek(0) : peek(0) << 8 | peek(1);
    part(bytes, name, meaning.isEmpty() ? String.valueOf(value) : value + ", " + meaning);
    return value;
  }

  private void cut(String name) {
    if (ended) {
      return;
    }
    if (at < end) {
      part(end - at, name, "cut off");
    }
    ended = true;
    illegal("the frame ends within the " + name);
  }

  private void part(int bytes, String name, String meaning) {
    parts.add(new FramePart(at, HEX.formatHex(frame, at, at + bytes), name, meaning, ""));
    at += bytes;
  }
}
