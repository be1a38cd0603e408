package unimotus.devices.ethercat;

import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;

/** Takes bytes apart from the first to the last, each in exactly one part. */
public final class TelegramParts {
  private static final HexFormat HEX = HexFormat.ofDelimiter(" ").withUpperCase();
  private static final int SHOWN = 16;

  private final byte[] bytes;
  private final List<TelegramPart> parts = new ArrayList<>();
  private int at;

  /** Parts of these bytes; none yet. */
  public TelegramParts(byte[] bytes) {
    this.bytes = bytes.clone();
  }

  /**
   * Takes the next bytes as a part; nothing where there are 0.
   *
   * @param length how many; at most as many as are left
   * @param name what they are
   * @param meaning what they say; empty where that is not known
   */
  public void take(int length, String name, String meaning) {
    if (length == 0) {
      return;
    }
    int shown = Math.min(length, SHOWN);
    String hex = HEX.formatHex(bytes, at, at + shown) + (shown < length ? " …" : "");
    parts.add(new TelegramPart(at, hex, name, meaning));
    at += length;
  }

  /** The first byte that is in no part yet. */
  public int at() {
    return at;
  }

  /** How many bytes are in no part yet. */
  public int left() {
    return bytes.length - at;
  }

  /**
   * A number further on, the least significant byte first; bytes that are not there count as 0.
   *
   * @param from its first byte, counted from {@link #at()}
   * @param length 1 to 4 bytes
   */
  public long number(int from, int length) {
    long number = 0;
    for (int i = length - 1; i >= 0; i--) {
      int place = at + from + i;
      number = number << Byte.SIZE | (place < bytes.length ? Byte.toUnsignedLong(bytes[place]) : 0);
    }
    return number;
  }

  /** What was taken, in the order of the bytes. */
  public List<TelegramPart> parts() {
    return List.copyOf(parts);
  }
}
