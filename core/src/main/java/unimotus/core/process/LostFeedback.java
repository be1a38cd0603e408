package unimotus.core.process;

/** What a drive does with its loop when the feedback's signal is lost. */
public enum LostFeedback {
  /** It reads the low end of the range, as on a signal without a live zero. */
  UNSEEN("the low end is read"),
  FAULT("fault"),
  HOLD("the output is held"),
  MINIMUM("least output of the loop");

  private final String label;

  LostFeedback(String label) {
    this.label = label;
  }

  /** For people. */
  public String label() {
    return label;
  }
}
