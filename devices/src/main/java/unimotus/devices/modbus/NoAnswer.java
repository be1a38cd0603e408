package unimotus.devices.modbus;

import java.io.IOException;

/** Nothing came in time; the way itself is as good as before. */
public final class NoAnswer extends IOException {
  private static final long serialVersionUID = 1L;

  NoAnswer(int milliseconds) {
    super("did not answer within %d ms".formatted(milliseconds));
  }
}
