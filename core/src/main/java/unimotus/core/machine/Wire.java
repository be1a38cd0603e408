package unimotus.core.machine;

/**
 * A conductor between two terminals.
 *
 * @param id stable id, the wire number
 * @param from one end
 * @param to the other end, on another terminal
 */
public record Wire(String id, TerminalRef from, TerminalRef to) {

  /** Refuses a wire that ends where it began. */
  public Wire {
    Ids.check("wire", id);
    if (from.equals(to)) {
      throw new IllegalArgumentException("wire %s has both ends on %s".formatted(id, from));
    }
  }

  /** Whether one end sits on {@code terminal}. */
  public boolean touches(TerminalRef terminal) {
    return from.equals(terminal) || to.equals(terminal);
  }

  /** Whether one end sits on the device {@code deviceId}. */
  public boolean touches(String deviceId) {
    return from.device().equals(deviceId) || to.device().equals(deviceId);
  }
}
