package unimotus.devices.modbus;

import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.util.Arrays;
import org.jspecify.annotations.Nullable;

/**
 * A message on TCP: transaction, protocol 0, length, unit, message.
 *
 * @param transaction number that the answer says again
 * @param unit unit behind the address, 0 to 255
 * @param message function code and data
 */
public record TcpFrame(int transaction, int unit, byte[] message) {
  /** Bytes before the message. */
  public static final int HEADER = 7;

  /** The longest message. */
  public static final int LONGEST_MESSAGE = 253;

  /** Checks the limits. */
  public TcpFrame {
    Limits.check("transaction", transaction, 0, 0xFFFF);
    Limits.check("unit", unit, 0, 0xFF);
    Limits.check("message length", message.length, 1, LONGEST_MESSAGE);
    message = message.clone();
  }

  @Override
  public byte[] message() {
    return message.clone();
  }

  /** The bytes on the wire. */
  public byte[] bytes() {
    return new Bytes()
        .word(transaction)
        .word(0)
        .word(message.length + 1)
        .octet(unit)
        .all(message)
        .get();
  }

  /**
   * Reads the next frame of a stream.
   *
   * @return null at the end of the stream, between two frames
   * @throws FrameFault where the header lies; what follows in the stream cannot be trusted then
   * @throws IOException where the stream breaks
   */
  public static @Nullable TcpFrame read(DataInputStream in) throws IOException, FrameFault {
    int first = in.read();
    if (first < 0) {
      return null;
    }
    int transaction = first << 8 | in.readUnsignedByte();
    int protocol = in.readUnsignedShort();
    int length = in.readUnsignedShort();
    if (protocol != 0) {
      throw new FrameFault("protocol %d is not Modbus (0)".formatted(protocol));
    }
    if (length < 2 || length > LONGEST_MESSAGE + 1) {
      throw new FrameFault("a length of %d is outside 2 to 254".formatted(length));
    }
    int unit = in.readUnsignedByte();
    byte[] message = new byte[length - 1];
    try {
      in.readFully(message);
    } catch (EOFException e) {
      throw new FrameFault("the stream ends within a frame of %d bytes".formatted(length));
    }
    return new TcpFrame(transaction, unit, message);
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof TcpFrame f
        && transaction == f.transaction
        && unit == f.unit
        && Arrays.equals(message, f.message);
  }

  @Override
  public int hashCode() {
    return 31 * (31 * transaction + unit) + Arrays.hashCode(message);
  }
}
