package unimotus.devices.modbus;

import java.io.IOException;
import unimotus.devices.connection.Gate;

/** Asks devices, one request at a time; it joins with the first one. */
public interface Client extends AutoCloseable {
  /**
   * Asks a unit.
   *
   * @throws FrameFault where the answer lies
   * @throws IOException where no answer comes in time, or the connection breaks
   */
  default Response ask(int unit, Request request) throws IOException, FrameFault {
    return ask(unit, request, Gate.OPEN);
  }

  /**
   * Asks a unit where a gate lets the request out.
   *
   * @throws NotSent where it does not; nothing went out then
   * @throws FrameFault where the answer lies
   * @throws IOException where no answer comes in time, or the connection breaks
   */
  Response ask(int unit, Request request, Gate gate) throws IOException, FrameFault;

  @Override
  void close() throws IOException;
}
