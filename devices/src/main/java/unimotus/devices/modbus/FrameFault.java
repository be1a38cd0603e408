package unimotus.devices.modbus;

/** Bytes that are no frame, or one that lies about itself. */
public final class FrameFault extends Exception {
  private static final long serialVersionUID = 1L;

  /** A fault in words, with place and numbers. */
  public FrameFault(String words) {
    super(words);
  }
}
