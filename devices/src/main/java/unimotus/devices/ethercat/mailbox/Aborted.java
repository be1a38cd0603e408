package unimotus.devices.ethercat.mailbox;

import unimotus.core.processdata.ObjectAbort;

/** An access to an object was refused. */
public final class Aborted extends Exception {
  private static final long serialVersionUID = 1L;
  private final int code;

  /** Refused with a code of the standard. */
  public Aborted(ObjectAbort abort) {
    this(abort.code());
  }

  /** Refused with any code. */
  public Aborted(int code) {
    super(ObjectAbort.told(code));
    this.code = code;
  }

  /** The code that was answered. */
  public int code() {
    return code;
  }
}
