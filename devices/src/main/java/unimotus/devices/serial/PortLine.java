package unimotus.devices.serial;

import com.fazecast.jSerialComm.SerialPort;
import com.fazecast.jSerialComm.SerialPortInvalidPortException;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;

/** A serial port of this machine. */
public final class PortLine implements Line {
  private static final int DATA_BITS = 8;
  private static final String PSEUDO_TERMINALS = "/dev/pts/";

  private final SerialPort port;
  private final String name;
  private final SerialSettings settings;

  private PortLine(SerialPort port, String name, SerialSettings settings) {
    this.port = port;
    this.name = name;
    this.settings = settings;
  }

  /** The ports of this machine by name; possibly none. */
  public static List<String> names() {
    return Arrays.stream(SerialPort.getCommPorts()).map(SerialPort::getSystemPortPath).toList();
  }

  /**
   * Opens a port.
   *
   * @param name such as {@code /dev/ttyUSB0} or {@code COM3}
   * @throws IOException where there is none such, or another program has it
   */
  public static PortLine open(String name, SerialSettings settings) throws IOException {
    try {
      SerialPort port = SerialPort.getCommPort(name);
      // A pseudo-terminal has no parity bit; asking for one is refused by the system.
      Parity parity = name.startsWith(PSEUDO_TERMINALS) ? Parity.NONE : settings.parity();
      port.setComPortParameters(settings.baud(), DATA_BITS, stopBits(settings), parity(parity));
      port.setFlowControl(SerialPort.FLOW_CONTROL_DISABLED);
      if (!port.openPort()) {
        throw new IOException(
            "serial port %s cannot be opened (error %d): is another program on it, may you use it?"
                .formatted(name, port.getLastErrorCode()));
      }
      return new PortLine(port, name, settings);
    } catch (SerialPortInvalidPortException none) {
      throw new IOException("there is no serial port %s".formatted(name), none);
    }
  }

  private static int stopBits(SerialSettings settings) {
    return settings.stopBits() == 1 ? SerialPort.ONE_STOP_BIT : SerialPort.TWO_STOP_BITS;
  }

  private static int parity(Parity parity) {
    return switch (parity) {
      case NONE -> SerialPort.NO_PARITY;
      case EVEN -> SerialPort.EVEN_PARITY;
      case ODD -> SerialPort.ODD_PARITY;
    };
  }

  @Override
  public void send(byte[] bytes) throws IOException {
    if (port.writeBytes(bytes, bytes.length) != bytes.length) {
      throw new IOException("serial port %s takes no bytes any more".formatted(name));
    }
  }

  @Override
  public int receive(byte[] into, int milliseconds) throws IOException {
    port.setComPortTimeouts(SerialPort.TIMEOUT_READ_SEMI_BLOCKING, Math.max(1, milliseconds), 0);
    int count = port.readBytes(into, into.length);
    if (count < 0) {
      throw new IOException("serial port %s is gone".formatted(name));
    }
    return count;
  }

  @Override
  public long silenceNanos() {
    return settings.silenceNanos();
  }

  @Override
  public long sendingNanos(int bytes) {
    return bytes * settings.characterNanos();
  }

  @Override
  public void close() {
    port.closePort();
  }
}
