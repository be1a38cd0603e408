package unimotus.workbench.live;

import java.io.IOException;
import unimotus.devices.connection.Gate;
import unimotus.devices.connection.NotSent;

/**
 * A hand on a key or button: what it commands goes out while it holds on and at no other time. Once
 * let go it is over; to go on means another hand.
 */
public final class Hand {
  private boolean holds = true;
  private boolean sent;

  /** Lets go. */
  public synchronized void letGo() {
    holds = false;
  }

  /** Whether anything went out under it. */
  synchronized boolean hasSent() {
    return sent;
  }

  /** Lets out what another gate does, while the hand holds on. */
  Gate gate(Gate inner) {
    return send -> pass(inner, send);
  }

  private synchronized void pass(Gate inner, Gate.Send send) throws IOException {
    if (!holds) {
      throw new NotSent("let go meanwhile, nothing was sent");
    }
    inner.pass(send);
    sent = true;
  }
}
