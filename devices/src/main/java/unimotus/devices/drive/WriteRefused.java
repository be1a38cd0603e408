package unimotus.devices.drive;

/** A write that a drive does not take; each protocol has its own number for it. */
public final class WriteRefused extends Exception {
  private static final long serialVersionUID = 1L;
  private final Reason reason;

  /** Why. */
  public enum Reason {
    /** The state of the drive does not allow it. */
    BUSY,
    /** Less or more than the value may be. */
    OUTSIDE_LIMITS
  }

  WriteRefused(Reason reason) {
    super(reason.name());
    this.reason = reason;
  }

  /** Why. */
  public Reason reason() {
    return reason;
  }
}
