package unimotus.devices.ethercat.wire;

import com.sun.jna.LastErrorException;
import com.sun.jna.Library;
import com.sun.jna.Memory;
import com.sun.jna.Native;
import com.sun.jna.Platform;
import com.sun.jna.Pointer;
import java.io.IOException;
import java.net.NetworkInterface;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.concurrent.atomic.AtomicBoolean;
import org.jspecify.annotations.Nullable;
import unimotus.devices.ethercat.Telegram;

/** Ethernet frames of the fieldbus at an interface; packet sockets, here of Linux. */
final class EthernetSocket implements AutoCloseable {
  /** The address that everybody listens to. */
  static final byte[] EVERYBODY = {-1, -1, -1, -1, -1, -1};

  private static final int PACKET = 17;
  private static final int RAW = 3;
  private static final short INPUT = 1;
  private static final int TRY_AGAIN = 11;
  private static final int INTERRUPTED = 4;
  private static final int DO_NOT_WAIT = 0x40;
  private static final int NOT_PERMITTED = 1;
  private static final int OUTGOING = 4;
  private static final int ADDRESS = 6;
  private static final int HEADER = 2 * ADDRESS + 2;
  private static final int LEAST_FRAME = 60;
  private static final int MOST_FRAME = 2048;

  /** Bytes of a {@code struct sockaddr_ll}, and where what stands in it. */
  private static final int LINK_ADDRESS = 20;

  private static final int PROTOCOL = 2;
  private static final int INTERFACE = 4;
  private static final int PACKET_TYPE = 10;

  private final String name;
  private final byte[] address;
  private final int socket;
  private final Memory in = new Memory(MOST_FRAME);
  private final Memory from = new Memory(LINK_ADDRESS);
  private final Memory length = new Memory(Integer.BYTES);
  private final Memory poll = new Memory(Long.BYTES);
  private final AtomicBoolean isClosed = new AtomicBoolean();

  /** What the program needs of the system's own library. */
  interface Posix extends Library {
    /** Loaded with the first socket. */
    Posix THE = Native.load("c", Posix.class);

    int socket(int domain, int type, int protocol) throws LastErrorException;

    int if_nametoindex(String name) throws LastErrorException;

    int bind(int fd, Pointer address, int length) throws LastErrorException;

    long send(int fd, byte[] bytes, long count, int flags) throws LastErrorException;

    long recvfrom(int fd, Pointer into, long count, int flags, Pointer from, Pointer length)
        throws LastErrorException;

    int poll(Pointer what, long count, int milliseconds) throws LastErrorException;

    int close(int fd) throws LastErrorException;
  }

  /**
   * A frame that came in.
   *
   * @param source the address it was sent from
   * @param telegram what it carries, possibly filled up
   */
  record Frame(byte[] source, byte[] telegram) {}

  private EthernetSocket(String name, byte[] address, int socket) {
    this.name = name;
    this.address = address;
    this.socket = socket;
  }

  static EthernetSocket at(String name) throws IOException {
    if (!Platform.isLinux()) {
      throw new IOException("Ethernet frames of their own are sent under Linux only");
    }
    NetworkInterface found = NetworkInterface.getByName(name);
    if (found == null || found.getHardwareAddress() == null) {
      throw new IOException("'%s' is no Ethernet interface of this machine".formatted(name));
    }
    short wireOrder = Short.reverseBytes((short) Telegram.ETHERNET_TYPE);
    try {
      int socket = Posix.THE.socket(PACKET, RAW, Short.toUnsignedInt(wireOrder));
      try (Memory to = new Memory(LINK_ADDRESS)) {
        to.clear();
        to.setShort(0, (short) PACKET);
        to.setShort(PROTOCOL, wireOrder);
        to.setInt(INTERFACE, Posix.THE.if_nametoindex(name));
        Posix.THE.bind(socket, to, LINK_ADDRESS);
      }
      return new EthernetSocket(name, found.getHardwareAddress(), socket);
    } catch (LastErrorException e) {
      throw new IOException(
          e.getErrorCode() == NOT_PERMITTED
              ? "%s: sending Ethernet frames needs a right of the system (CAP_NET_RAW)"
                  .formatted(name)
              : "%s: %s".formatted(name, e.getMessage()),
          e);
    }
  }

  byte[] address() {
    return address.clone();
  }

  void send(byte[] to, byte[] source, byte[] telegram) throws IOException {
    byte[] frame = new byte[Math.max(LEAST_FRAME, HEADER + telegram.length)];
    System.arraycopy(to, 0, frame, 0, ADDRESS);
    System.arraycopy(source, 0, frame, ADDRESS, ADDRESS);
    frame[2 * ADDRESS] = (byte) (Telegram.ETHERNET_TYPE >> Byte.SIZE);
    frame[2 * ADDRESS + 1] = (byte) Telegram.ETHERNET_TYPE;
    System.arraycopy(telegram, 0, frame, HEADER, telegram.length);
    try {
      Posix.THE.send(socket, frame, frame.length, 0);
    } catch (LastErrorException e) {
      throw new IOException("%s: %s".formatted(name, e.getMessage()), e);
    }
  }

  /** The next frame of somebody else; null where none comes in time. */
  @Nullable Frame receive(int milliseconds) throws IOException {
    long end = System.nanoTime() + milliseconds * 1_000_000L;
    while (!isClosed.get()) {
      try {
        length.setInt(0, LINK_ADDRESS);
        int got = (int) Posix.THE.recvfrom(socket, in, MOST_FRAME, DO_NOT_WAIT, from, length);
        if (got >= HEADER && from.getByte(PACKET_TYPE) != OUTGOING) {
          byte[] frame = in.getByteArray(0, got);
          return new Frame(
              Arrays.copyOfRange(frame, ADDRESS, 2 * ADDRESS),
              Arrays.copyOfRange(frame, HEADER, got));
        }
      } catch (LastErrorException e) {
        if (e.getErrorCode() != TRY_AGAIN && e.getErrorCode() != INTERRUPTED) {
          throw new IOException("%s: %s".formatted(name, e.getMessage()), e);
        }
        int left = (int) ((end - System.nanoTime()) / 1_000_000);
        if (left <= 0) {
          return null;
        }
        await(left);
      }
    }
    throw new IOException("%s is closed".formatted(name));
  }

  private void await(int milliseconds) {
    poll.setInt(0, socket);
    poll.setShort(4, INPUT);
    poll.setShort(6, (short) 0);
    try {
      Posix.THE.poll(poll, 1, milliseconds);
    } catch (LastErrorException interrupted) {
      // Whoever waits looks again and goes on waiting.
    }
  }

  @Override
  public void close() {
    if (isClosed.compareAndSet(false, true)) {
      Posix.THE.close(socket);
    }
  }

  @Override
  public String toString() {
    return "%s (%s)".formatted(name, HexFormat.ofDelimiter(":").formatHex(address));
  }
}
