package unimotus.devices.serial;

import java.io.Closeable;
import java.io.IOException;

/** Bytes in both directions, as on a serial line. */
public interface Line extends Closeable {
  /**
   * Sends bytes.
   *
   * @throws IOException where the line is broken
   */
  void send(byte[] bytes) throws IOException;

  /**
   * Receives what comes.
   *
   * @param into receives the bytes from its beginning
   * @param milliseconds longest wait for the first of them, at least 1
   * @return how many came; 0 where none came in time
   * @throws IOException where the line is broken or closed
   */
  int receive(byte[] into, int milliseconds) throws IOException;

  /**
   * How long the line has to be silent before a frame may begin, in nanoseconds; 0 where whatever
   * carries it sees to that.
   */
  default long silenceNanos() {
    return 0;
  }

  /** How long it takes until so many bytes that were sent are through, in nanoseconds. */
  default long sendingNanos(int bytes) {
    return 0;
  }
}
