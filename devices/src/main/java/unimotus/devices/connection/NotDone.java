package unimotus.devices.connection;

/** What a drive did not do, or did not answer, in words. */
public final class NotDone extends Exception {
  private static final long serialVersionUID = 1L;

  /** Says what and why. */
  public NotDone(String words) {
    super(words);
  }
}
