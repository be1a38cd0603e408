package unimotus.devices.connection;

import java.io.IOException;

/** A request was kept back by a gate: nothing went out. */
public final class NotSent extends IOException {
  private static final long serialVersionUID = 1L;

  /** With the reason in words. */
  public NotSent(String why) {
    super(why);
  }
}
