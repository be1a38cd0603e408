package unimotus.core.machine;

import org.jspecify.annotations.Nullable;

/**
 * A terminal named with its device, because the same marking on two devices is two points.
 *
 * @param device id of the controller or drive
 * @param terminal marking on the device
 */
public record TerminalRef(String device, String terminal) implements Comparable<TerminalRef> {

  // Written out: nets ask for these thousands of times an edit, and the first call of the generated
  // ones costs a window's start dearly.
  @Override
  public boolean equals(@Nullable Object other) {
    return other instanceof TerminalRef ref
        && device.equals(ref.device)
        && terminal.equals(ref.terminal);
  }

  @Override
  public int hashCode() {
    return 31 * device.hashCode() + terminal.hashCode();
  }

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
