package unimotus.devices.modbus;

import java.net.InetSocketAddress;
import unimotus.devices.serial.PortLine;
import unimotus.devices.serial.SerialSettings;
import unimotus.devices.serial.SocketLine;

/** The way to devices. */
public sealed interface Route {
  /**
   * A client on this way; it joins with the first request.
   *
   * @param milliseconds longest wait for each answer
   */
  default Client client(int milliseconds) {
    return client(milliseconds, Tap.NONE);
  }

  /**
   * A client whose frames are looked at.
   *
   * @param milliseconds longest wait for each answer
   * @param tap is shown every frame
   */
  Client client(int milliseconds, Tap tap);

  /** Whether several clients may go it at the same time. */
  boolean isShared();

  /**
   * Modbus TCP.
   *
   * @param host name or address
   * @param port the port
   */
  record Tcp(String host, int port) implements Route {
    /** Checks the address. */
    public Tcp {
      checkAddress(host, port);
    }

    @Override
    public Client client(int milliseconds, Tap tap) {
      return new TcpClient(host, port, milliseconds, tap);
    }

    @Override
    public boolean isShared() {
      return true;
    }

    @Override
    public String toString() {
      return "%s:%d".formatted(host, port);
    }
  }

  /**
   * Serial frames carried over TCP.
   *
   * @param host name or address
   * @param port the port
   */
  record SerialOverTcp(String host, int port) implements Route {
    /** Checks the address. */
    public SerialOverTcp {
      checkAddress(host, port);
    }

    @Override
    public Client client(int milliseconds, Tap tap) {
      InetSocketAddress address = new InetSocketAddress(host, port);
      return new RtuClient(() -> SocketLine.join(address, milliseconds), milliseconds, tap);
    }

    @Override
    public boolean isShared() {
      return true;
    }

    @Override
    public String toString() {
      return "%s:%d (serial frames)".formatted(host, port);
    }
  }

  /**
   * A serial port of this machine.
   *
   * @param name such as {@code /dev/ttyUSB0} or {@code COM3}
   * @param settings how characters go over it
   */
  record Serial(String name, SerialSettings settings) implements Route {
    /** Checks that there is a name. */
    public Serial {
      if (name.isBlank()) {
        throw new IllegalArgumentException("a serial port is needed, such as /dev/ttyUSB0 or COM3");
      }
    }

    @Override
    public Client client(int milliseconds, Tap tap) {
      return new RtuClient(() -> PortLine.open(name, settings), milliseconds, tap);
    }

    @Override
    public boolean isShared() {
      return false;
    }

    @Override
    public String toString() {
      return "%s, %s".formatted(name, settings);
    }
  }

  private static void checkAddress(String host, int port) {
    if (host.isBlank()) {
      throw new IllegalArgumentException("an address is needed, such as 127.0.0.1");
    }
    Limits.check("port", port, 1, 65_535);
  }
}
