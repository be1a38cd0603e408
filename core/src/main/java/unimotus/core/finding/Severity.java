package unimotus.core.finding;

/** How much a finding stands in the way of the work, worst first. */
public enum Severity {
  /** The axis cannot work, or will do something other than what is meant. */
  ERROR("error"),
  /** It may work, yet a practitioner would change or confirm it. */
  WARNING("warning"),
  /** Worth knowing. */
  NOTE("note");

  private final String label;

  Severity(String label) {
    this.label = label;
  }

  /** The word shown to the user, such as {@code error}. */
  public String label() {
    return label;
  }
}
