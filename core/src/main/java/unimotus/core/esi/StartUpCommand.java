package unimotus.core.esi;

import java.util.List;
import java.util.Locale;

/**
 * An object that is written while a device starts.
 *
 * @param transition the change of state it belongs to: {@code IP}, {@code PS}, {@code SO} …
 * @param index the object
 * @param subindex its part
 * @param data the bytes, the least significant first, in hex digits
 * @param comment what it is for; empty where nothing is said
 */
public record StartUpCommand(
    String transition, int index, int subindex, String data, String comment) {

  /** The changes of state there are, each by its first letters (ETG.1000.6, from memory). */
  public static final List<String> TRANSITIONS =
      List.of("IP", "PS", "SO", "SP", "OP", "OS", "PI", "SI", "OI");

  /** Refuses a transition there is none of and data that are no bytes. */
  public StartUpCommand {
    if (!TRANSITIONS.contains(transition)) {
      throw new IllegalArgumentException(
          "transition '%s' is not one of %s".formatted(transition, String.join(", ", TRANSITIONS)));
    }
    data = data.toUpperCase(Locale.ROOT);
    if (data.isEmpty() || !data.matches("([0-9A-F]{2})+")) {
      throw new IllegalArgumentException(
          "data '%s' of 0x%04X:%d must be bytes of two hex digits"
              .formatted(data, index, subindex));
    }
  }

  /** A command that writes a number in so many bytes. */
  public static StartUpCommand number(
      String transition, int index, int subindex, long value, int bytes, String comment) {
    StringBuilder data = new StringBuilder();
    for (int i = 0; i < bytes; i++) {
      data.append("%02X".formatted(value >> 8 * i & 0xFF));
    }
    return new StartUpCommand(transition, index, subindex, data.toString(), comment);
  }

  /** How many bytes are written. */
  public int bytes() {
    return data.length() / 2;
  }

  /** The bytes as a number without sign, the least significant first; of the first eight. */
  public long number() {
    long value = 0;
    for (int i = Math.min(bytes(), Long.BYTES) - 1; i >= 0; i--) {
      value = value << 8 | Integer.parseInt(data.substring(2 * i, 2 * i + 2), 16);
    }
    return value;
  }

  /** The object as it is written in manuals, such as {@code 0x6060:0}. */
  public String object() {
    return "0x%04X:%d".formatted(index, subindex);
  }
}
