package unimotus.devices.ethercat.wire;

import java.io.IOException;

/** Where a bus is; opened anew by each who speaks on it. */
@FunctionalInterface
public interface Cable {

  /**
   * Opens it.
   *
   * @throws IOException where it cannot be had
   */
  Wire open() throws IOException;

  /** In UDP packets to an address. */
  static Cable udp(String host, int port) {
    return () -> UdpWire.to(host, port);
  }

  /** In Ethernet frames at an interface of this machine. */
  static Cable ethernet(String interfaceName) {
    return () -> EthernetWire.at(interfaceName);
  }
}
