package unimotus.devices.modbus.explain;

import java.util.HexFormat;
import java.util.List;
import java.util.Optional;

/**
 * A frame with every byte explained.
 *
 * @param serial whether it is one of a serial line, else of TCP
 * @param parts all bytes, in order
 * @param faults what is wrong with it, in the order of its bytes; empty where nothing is
 */
public record ExplainedFrame(boolean serial, List<FramePart> parts, List<String> faults) {

  /** Takes copies. */
  public ExplainedFrame {
    parts = List.copyOf(parts);
    faults = List.copyOf(faults);
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
   * Explains a frame. Whether it is serial or TCP is told by its check and its lengths together.
   *
   * @param answer whether it is an answer, which has other fields than a request
   */
  public static ExplainedFrame of(byte[] frame, boolean answer) {
    return of(frame, answer, Framing.isSerial(frame, answer));
  }

  /**
   * Explains a frame of a known way.
   *
   * @param answer whether it is an answer, which has other fields than a request
   * @param serial whether it went over a serial line, else TCP
   */
  public static ExplainedFrame of(byte[] frame, boolean answer, boolean serial) {
    FieldReader fields = new FieldReader(frame);
    if (serial) {
      Framing.serial(fields, frame, answer);
    } else {
      Framing.tcp(fields, frame, answer);
    }
    return fields.explained(serial);
  }

  /** What is wrong with it, in one line; empty where nothing is. */
  public String fault() {
    return String.join("; ", faults);
  }

  /** The unit it is for, or from; 0 where it is too short. */
  public int unit() {
    return part("unit").map(p -> Integer.parseInt(p.bytes(), 16)).orElse(0);
  }

  /** Its function in words. */
  public String function() {
    return part("function").map(p -> p.meaning().replaceFirst("^\\d+, ", "")).orElse("no function");
  }

  /** The first part of this name. */
  public Optional<FramePart> part(String name) {
    return parts.stream().filter(p -> p.name().equals(name)).findFirst();
  }
}
