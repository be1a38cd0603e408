package unimotus.devices.modbus;

/** Is shown every frame that a client sends and receives. */
public interface Tap {
  /** Nobody looks. */
  Tap NONE =
      new Tap() {
        @Override
        public void sent(byte[] frame) {}

        @Override
        public void received(byte[] frame) {}
      };

  /** A request went out. */
  void sent(byte[] frame);

  /** An answer came in, right or wrong. */
  void received(byte[] frame);
}
