package unimotus.devices.modbus;

import java.util.Arrays;

/**
 * A message on a serial line: unit, message, check with the low byte first.
 *
 * @param unit 0 to all, else 1 to 247
 * @param message function code and data
 */
public record RtuFrame(int unit, byte[] message) {
  /** The longest frame on a serial line. */
  public static final int LONGEST = 256;

  private static final int SHORTEST = 4;

  /** Checks the limits. */
  public RtuFrame {
    Limits.check("unit", unit, 0, 247);
    Limits.check("message length", message.length, 1, LONGEST - 3);
    message = message.clone();
  }

  @Override
  public byte[] message() {
    return message.clone();
  }

  /** The bytes on the line. */
  public byte[] bytes() {
    byte[] bare = Bytes.of(unit).all(message).get();
    int crc = Crc16.of(bare, bare.length);
    return new Bytes().all(bare).octet(crc & 0xFF).octet(crc >> 8).get();
  }

  /**
   * Reads a frame.
   *
   * @throws FrameFault where it is too short, too long or its check is wrong
   */
  public static RtuFrame of(byte[] frame) throws FrameFault {
    if (frame.length < SHORTEST || frame.length > LONGEST) {
      throw new FrameFault(
          "a serial frame has %d to %d bytes, not %d".formatted(SHORTEST, LONGEST, frame.length));
    }
    int bare = frame.length - 2;
    int told = frame[bare] & 0xFF | (frame[bare + 1] & 0xFF) << 8;
    int crc = Crc16.of(frame, bare);
    if (told != crc) {
      throw new FrameFault("the check is %04X, the bytes give %04X".formatted(told, crc));
    }
    int unit = frame[0] & 0xFF;
    if (unit > 247) {
      throw new FrameFault("unit %d is over 247".formatted(unit));
    }
    return new RtuFrame(unit, Arrays.copyOfRange(frame, 1, bare));
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof RtuFrame f && unit == f.unit && Arrays.equals(message, f.message);
  }

  @Override
  public int hashCode() {
    return 31 * unit + Arrays.hashCode(message);
  }
}
