package unimotus.devices.ethercat.wire;

import java.io.IOException;
import org.jspecify.annotations.Nullable;

/** The controller's end of a cable to stations. One thread at a time. Its text says where it is. */
public interface Wire extends AutoCloseable {

  /**
   * Sends a telegram.
   *
   * @param telegram from its own header on
   * @throws IOException where it cannot be sent
   */
  void send(byte[] telegram) throws IOException;

  /**
   * The next telegram that comes back.
   *
   * @param nanos how long it is waited for
   * @return from its own header on, possibly filled up; null where none came in time
   * @throws IOException where nothing can be received
   */
  byte @Nullable [] receive(long nanos) throws IOException;

  @Override
  void close() throws IOException;
}
