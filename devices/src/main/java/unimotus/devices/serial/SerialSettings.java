package unimotus.devices.serial;

import java.util.ArrayList;
import java.util.List;

/**
 * How characters go over a line; always eight data bits.
 *
 * @param baud bits a second
 * @param parity the parity bit
 * @param stopBits 1 or 2
 */
public record SerialSettings(int baud, Parity parity, int stopBits) {
  /** What a device has by the standard when nobody has changed it. */
  public static final SerialSettings STANDARD = new SerialSettings(19_200, Parity.EVEN, 1);

  private static final int[] BAUDS = {19_200, 9600, 38_400, 115_200, 57_600, 4800, 2400, 1200};
  private static final int START_AND_DATA_BITS = 9;
  private static final int FIXED_SILENCE_ABOVE_BAUD = 19_200;
  private static final long FIXED_SILENCE_NANOS = 1_750_000;

  /** Checks the numbers. */
  public SerialSettings {
    if (baud < 300 || baud > 12_000_000) {
      throw new IllegalArgumentException("baud must be 300 to 12000000, not " + baud);
    }
    if (stopBits != 1 && stopBits != 2) {
      throw new IllegalArgumentException("a character has 1 or 2 stop bits, not " + stopBits);
    }
  }

  /** What devices are found with, the most common first (common practice). */
  public static List<SerialSettings> candidates() {
    List<SerialSettings> all = new ArrayList<>();
    for (int baud : BAUDS) {
      all.add(new SerialSettings(baud, Parity.EVEN, 1));
      all.add(new SerialSettings(baud, Parity.NONE, 1));
      all.add(new SerialSettings(baud, Parity.ODD, 1));
      all.add(new SerialSettings(baud, Parity.NONE, 2));
    }
    return all;
  }

  /** Bits of a character: start, eight of data, parity, stop. */
  public int bitsPerCharacter() {
    return START_AND_DATA_BITS + (parity == Parity.NONE ? 0 : 1) + stopBits;
  }

  /** How long one character takes, in nanoseconds. */
  public long characterNanos() {
    return Math.round(1e9 * bitsPerCharacter() / baud);
  }

  /**
   * The silence that parts two frames, in nanoseconds: three and a half characters, above 19200
   * baud 1.75 ms (Modbus over Serial Line V1.02, from memory).
   */
  public long silenceNanos() {
    return baud > FIXED_SILENCE_ABOVE_BAUD ? FIXED_SILENCE_NANOS : characterNanos() * 7 / 2;
  }

  @Override
  public String toString() {
    return "%d baud, parity %s, %d stop".formatted(baud, parity.label(), stopBits);
  }
}
