package unimotus.devices.ethercat;

/** Bytes that are no telegram, or one that lies about itself; names the byte, from 0. */
public final class TelegramFault extends Exception {
  private static final long serialVersionUID = 1L;

  /** A fault in words, with place and numbers. */
  public TelegramFault(String words) {
    super(words);
  }
}
