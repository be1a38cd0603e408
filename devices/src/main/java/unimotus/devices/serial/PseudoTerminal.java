package unimotus.devices.serial;

import com.sun.jna.LastErrorException;
import com.sun.jna.Library;
import com.sun.jna.Memory;
import com.sun.jna.Native;
import com.sun.jna.Platform;
import com.sun.jna.Pointer;
import com.sun.jna.Structure;
import com.sun.jna.Structure.FieldOrder;
import java.io.IOException;

/**
 * A pair of serial ports that exist only in the machine: this end is a line, the other one has a
 * name that any program opens like a serial port. POSIX, here of Linux.
 */
public final class PseudoTerminal implements Line {
  private static final int READ_WRITE = 2;
  private static final int NOT_THE_CONTROLLING_TERMINAL = 0x100;
  private static final int CLOSE_ON_EXECUTION = 0x80000;
  private static final int DO_NOT_BLOCK = 0x800;
  private static final int TRY_AGAIN = 11;
  private static final short INPUT = 1;
  private static final short OUTPUT = 4;
  private static final int NOBODY_LISTENS_MILLISECONDS = 200;
  private static final int NAME_BYTES = 128;

  /** More than a {@code struct termios} has on any Linux. */
  private static final int TERMIOS_BYTES = 256;

  /** What the program needs of the system's own library. */
  interface Posix extends Library {
    /** Loaded when the first pair is made. */
    Posix THE = Native.load("c", Posix.class);

    int posix_openpt(int flags) throws LastErrorException;

    int grantpt(int fd) throws LastErrorException;

    int unlockpt(int fd) throws LastErrorException;

    int ptsname_r(int fd, byte[] name, long length) throws LastErrorException;

    int open(String path, int flags) throws LastErrorException;

    int close(int fd) throws LastErrorException;

    long read(int fd, byte[] into, long count) throws LastErrorException;

    long write(int fd, Pointer bytes, long count) throws LastErrorException;

    int poll(Poll what, long count, int milliseconds) throws LastErrorException;

    int tcgetattr(int fd, Pointer termios) throws LastErrorException;

    int tcsetattr(int fd, int when, Pointer termios) throws LastErrorException;

    void cfmakeraw(Pointer termios);

    int cfgetospeed(Pointer termios);
  }

  /** {@code struct pollfd}. */
  @FieldOrder({"fd", "events", "revents"})
  public static final class Poll extends Structure {
    /** The end that is watched. */
    public int fd;

    /** What is waited for. */
    public short events;

    /** What came. */
    public short revents;
  }

  private final int master;

  /** Kept open, so that the pair outlives the programs that open its other end. */
  private final int slave;

  private final String name;
  private boolean closed;

  private PseudoTerminal(int master, int slave, String name) {
    this.master = master;
    this.slave = slave;
    this.name = name;
  }

  /** Whether this machine can make such pairs. */
  public static boolean isPossible() {
    return Platform.isLinux();
  }

  /**
   * Makes a pair.
   *
   * @throws IOException where the machine does not make any
   */
  public static PseudoTerminal open() throws IOException {
    if (!isPossible()) {
      throw new IOException("pseudo-terminals are made on Linux only: use the line over TCP");
    }
    try {
      int master =
          Posix.THE.posix_openpt(
              READ_WRITE | NOT_THE_CONTROLLING_TERMINAL | CLOSE_ON_EXECUTION | DO_NOT_BLOCK);
      Posix.THE.grantpt(master);
      Posix.THE.unlockpt(master);
      byte[] name = new byte[NAME_BYTES];
      Posix.THE.ptsname_r(master, name, name.length);
      String path = Native.toString(name);
      int slave =
          Posix.THE.open(path, READ_WRITE | NOT_THE_CONTROLLING_TERMINAL | CLOSE_ON_EXECUTION);
      Memory termios = new Memory(TERMIOS_BYTES);
      Posix.THE.tcgetattr(slave, termios);
      Posix.THE.cfmakeraw(termios);
      Posix.THE.tcsetattr(slave, 0, termios);
      return new PseudoTerminal(master, slave, path);
    } catch (LastErrorException refused) {
      throw new IOException("no pseudo-terminal can be made: " + refused.getMessage(), refused);
    }
  }

  /** The name of the other end, such as {@code /dev/pts/3}. */
  public String name() {
    return name;
  }

  /**
   * The speed the program at the other end has set, as the system codes it. A pair of
   * pseudo-terminals carries bytes at any speed and has no parity, but it knows what was set.
   */
  public synchronized int speedCode() throws IOException {
    if (closed) {
      throw new IOException("the line is closed");
    }
    Memory termios = new Memory(TERMIOS_BYTES);
    Posix.THE.tcgetattr(slave, termios);
    return Posix.THE.cfgetospeed(termios);
  }

  /** The system's code of a speed ({@code B19200} and so on); -1 for one without a code. */
  public static int code(int baud) {
    return switch (baud) {
      case 1200 -> 9;
      case 2400 -> 11;
      case 4800 -> 12;
      case 9600 -> 13;
      case 19_200 -> 14;
      case 38_400 -> 15;
      case 57_600 -> 0x1001;
      case 115_200 -> 0x1002;
      default -> -1;
    };
  }

  private boolean isReady(short wanted, int milliseconds) {
    Poll poll = new Poll();
    poll.fd = master;
    poll.events = wanted;
    return Posix.THE.poll(poll, 1, milliseconds) > 0;
  }

  /** Sends bytes; as on any serial line they are lost where nobody takes them. */
  @Override
  public void send(byte[] bytes) throws IOException {
    Memory memory = new Memory(bytes.length);
    memory.write(0, bytes, 0, bytes.length);
    try {
      long done = 0;
      while (done < bytes.length && isReady(OUTPUT, NOBODY_LISTENS_MILLISECONDS)) {
        done += written(memory.share(done), bytes.length - done);
      }
    } catch (LastErrorException broken) {
      throw new IOException("%s takes no bytes: %s".formatted(name, broken.getMessage()), broken);
    }
  }

  /** How many bytes were taken; a line that is full takes none, and is not waited for. */
  private long written(Pointer bytes, long count) {
    try {
      return Posix.THE.write(master, bytes, count);
    } catch (LastErrorException full) {
      if (full.getErrorCode() == TRY_AGAIN) {
        return 0;
      }
      throw full;
    }
  }

  @Override
  public int receive(byte[] into, int milliseconds) throws IOException {
    try {
      if (!isReady(INPUT, milliseconds)) {
        return 0;
      }
      return Math.toIntExact(Posix.THE.read(master, into, into.length));
    } catch (LastErrorException broken) {
      throw new IOException("%s is closed: %s".formatted(name, broken.getMessage()), broken);
    }
  }

  @Override
  public synchronized void close() {
    if (!closed) {
      closed = true;
      Posix.THE.close(slave);
      Posix.THE.close(master);
    }
  }
}
