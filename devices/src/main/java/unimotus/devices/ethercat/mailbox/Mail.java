package unimotus.devices.ethercat.mailbox;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.HexFormat;
import org.jspecify.annotations.Nullable;

/**
 * What lies in a mailbox (ETG.1000.4, from memory).
 *
 * @param type what it carries: 0 an error, 3 objects
 * @param counter 1 to 7 in turn; 0 where it is not counted
 * @param body what it carries, behind its own header
 */
public record Mail(int type, int counter, byte[] body) {
  /** Bytes before the body. */
  public static final int HEADER = 6;

  /** Type of a mail that tells what was wrong with another one. */
  public static final int ERROR = 0;

  /** Type of a mail about objects. */
  public static final int OBJECTS = 3;

  private static final int LAST_COUNTER = 7;
  private static final int NIBBLE = 4;

  /** Takes a copy. */
  public Mail {
    body = body.clone();
  }

  @Override
  public byte[] body() {
    return body.clone();
  }

  /** The counter of the mail after one with this counter. */
  public static int next(int counter) {
    return counter % LAST_COUNTER + 1;
  }

  /**
   * As it lies in a mailbox.
   *
   * @param size of the mailbox; what is over stays 0
   * @throws IllegalArgumentException where it does not fit
   */
  public byte[] bytes(int size) {
    if (HEADER + body.length > size) {
      throw new IllegalArgumentException(
          "a mail of %d bytes does not fit into a mailbox of %d"
              .formatted(HEADER + body.length, size));
    }
    ByteBuffer out = ByteBuffer.allocate(size).order(ByteOrder.LITTLE_ENDIAN);
    out.putShort((short) body.length).putShort((short) 0).put((byte) 0);
    return out.put((byte) (type | counter << NIBBLE)).put(body).array();
  }

  /**
   * Reads a mailbox.
   *
   * @throws MailFault where its length is less than a mail needs or more than there is
   */
  public static Mail of(byte[] mailbox) throws MailFault {
    if (mailbox.length < HEADER) {
      throw new MailFault(MailFault.TOO_SHORT);
    }
    ByteBuffer in = ByteBuffer.wrap(mailbox).order(ByteOrder.LITTLE_ENDIAN);
    int length = Short.toUnsignedInt(in.getShort());
    int last = in.get(HEADER - 1);
    if (length > mailbox.length - HEADER) {
      throw new MailFault(MailFault.WRONG_SIZE);
    }
    return new Mail(
        last & 0x0F,
        last >> NIBBLE & LAST_COUNTER,
        Arrays.copyOfRange(mailbox, HEADER, HEADER + length));
  }

  @Override
  public boolean equals(@Nullable Object other) {
    return other instanceof Mail m
        && type == m.type
        && counter == m.counter
        && Arrays.equals(body, m.body);
  }

  @Override
  public int hashCode() {
    return 31 * (31 * type + counter) + Arrays.hashCode(body);
  }

  @Override
  public String toString() {
    return "mail %d of type %d: %s".formatted(counter, type, HexFormat.of().formatHex(body));
  }
}
