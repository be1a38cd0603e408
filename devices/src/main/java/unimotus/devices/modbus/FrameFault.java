package unimotus.devices.modbus;

/** Bytes that are no frame, or one that lies about itself. */
public final class FrameFault extends Exception {
  private static final long serialVersionUID = 1L;

  /** What a device answers to such a request. */
  private final ExceptionCode answer;

  /** A fault in words, with place and numbers. */
  public FrameFault(String words) {
    this(words, ExceptionCode.ILLEGAL_DATA_VALUE);
  }

  /** A fault in words, and what a device answers to it. */
  FrameFault(String words, ExceptionCode answer) {
    super(words);
    this.answer = answer;
  }

  /** What a device answers to such a request. */
  ExceptionCode answer() {
    return answer;
  }
}
