package unimotus.devices.modbus;

/** Something that answers in the place of devices. */
public interface StandIn extends AutoCloseable {
  /** The way to it. */
  Route route();

  /** Misbehaves from now on, or behaves again with {@link Troubles#NONE}. */
  void misbehave(Troubles next);

  @Override
  void close() throws java.io.IOException;
}
