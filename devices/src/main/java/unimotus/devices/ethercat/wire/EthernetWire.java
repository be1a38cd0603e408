package unimotus.devices.ethercat.wire;

import java.io.IOException;
import org.jspecify.annotations.Nullable;

/** Telegrams in Ethernet frames of their own; the system has to give the right. */
public final class EthernetWire implements Wire {
  private static final int NANOS_PER_MILLI = 1_000_000;

  private final EthernetSocket socket;

  private EthernetWire(EthernetSocket socket) {
    this.socket = socket;
  }

  /**
   * A wire at an interface of this machine.
   *
   * @throws IOException where there is none of this name, or the right is missing
   */
  public static EthernetWire at(String interfaceName) throws IOException {
    return new EthernetWire(EthernetSocket.at(interfaceName));
  }

  @Override
  public void send(byte[] telegram) throws IOException {
    socket.send(EthernetSocket.EVERYBODY, socket.address(), telegram);
  }

  @Override
  public byte @Nullable [] receive(long nanos) throws IOException {
    EthernetSocket.Frame frame =
        socket.receive((int) ((nanos + NANOS_PER_MILLI - 1) / NANOS_PER_MILLI));
    return frame == null ? null : frame.telegram();
  }

  @Override
  public void close() {
    socket.close();
  }

  @Override
  public String toString() {
    return socket.toString();
  }
}
