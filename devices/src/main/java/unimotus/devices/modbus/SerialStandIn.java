package unimotus.devices.modbus;

import java.io.IOException;
import java.util.Map;
import unimotus.devices.serial.PseudoTerminal;
import unimotus.devices.serial.SerialSettings;

/**
 * Drives on a serial line of their own, the other end of a pair of pseudo-terminals. They hear only
 * who speaks at their baud rate. A pair of pseudo-terminals has no parity and no stop bits to tell
 * apart.
 */
public final class SerialStandIn implements StandIn {
  private static final long CLOSING_MILLISECONDS = 2000;

  private final PseudoTerminal line;
  private final SerialSettings settings;
  private final Conduct conduct = new Conduct();
  private final Thread thread;
  private volatile boolean open = true;

  private SerialStandIn(PseudoTerminal line, SerialSettings settings, Map<Integer, Unit> units) {
    this.line = line;
    this.settings = settings;
    this.thread = new Thread(() -> serve(Map.copyOf(units)), "serial-stand-in");
    thread.setDaemon(true);
  }

  /**
   * Starts.
   *
   * @param settings how the devices are set
   * @param units the devices by unit number
   * @throws IOException where the machine makes no pseudo-terminals
   */
  public static SerialStandIn start(SerialSettings settings, Map<Integer, Unit> units)
      throws IOException {
    SerialStandIn standIn = new SerialStandIn(PseudoTerminal.open(), settings, units);
    standIn.thread.start();
    return standIn;
  }

  /** The name of the port that is spoken to, such as {@code /dev/pts/3}. */
  public String port() {
    return line.name();
  }

  @Override
  public Route route() {
    return new Route.Serial(port(), settings);
  }

  private void serve(Map<Integer, Unit> units) {
    while (open) {
      try {
        new RtuExchange(line, units, conduct).serve(() -> open, this::isHeard, 0);
      } catch (IOException broken) {
        // The pair is ours alone: it breaks only when it is closed.
        break;
      }
    }
    line.close();
  }

  /** A device that listens at another speed hears only noise. */
  private boolean isHeard() {
    try {
      return line.speedCode() == PseudoTerminal.code(settings.baud());
    } catch (IOException closed) {
      return false;
    }
  }

  @Override
  public void misbehave(Troubles next) {
    conduct.misbehave(next);
  }

  @Override
  public void close() throws IOException {
    open = false;
    thread.interrupt();
    try {
      thread.join(CLOSING_MILLISECONDS);
    } catch (InterruptedException hurried) {
      Thread.currentThread().interrupt();
    }
  }
}
