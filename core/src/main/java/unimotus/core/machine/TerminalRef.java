package unimotus.core.machine;

/**
 * A terminal named with its device, because the same marking on two devices is two points.
 *
 * @param device id of the controller or drive
 * @param terminal marking on the device
 */
public record TerminalRef(String device, String terminal) implements Comparable<TerminalRef> {

  @Override
  public int compareTo(TerminalRef other) {
    int byDevice = device.compareTo(other.device);
    return byDevice != 0 ? byDevice : terminal.compareTo(other.terminal);
  }

  @Override
  public String toString() {
    return device + ":" + terminal;
  }
}
