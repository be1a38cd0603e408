package unimotus.devices.connection;

import java.io.IOException;

/**
 * Lets a request out or keeps it back. What it looks at and the sending are one step: nothing can
 * change between them.
 */
public interface Gate {
  /** Everything goes out. */
  Gate OPEN = Send::now;

  /** The sending of one request. */
  interface Send {
    /**
     * Sends it.
     *
     * @throws IOException where it cannot be sent
     */
    void now() throws IOException;
  }

  /**
   * Sends a request, or throws.
   *
   * @throws NotSent where it is kept back; nothing went out then
   * @throws IOException where it cannot be sent
   */
  void pass(Send send) throws IOException;
}
