package unimotus.workbench.live;

/** What a drive did not do, or did not answer, in words. */
public final class NotDone extends Exception {
  private static final long serialVersionUID = 1L;

  NotDone(String words) {
    super(words);
  }
}
