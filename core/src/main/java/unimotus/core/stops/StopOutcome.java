package unimotus.core.stops;

/** Whether a stop does what it is for: the first thing to be known of it. */
public enum StopOutcome {
  STOPS("stops", "stops", "every demand takes the torque away"),
  DOES_NOT_STOP("does-not-stop", "does not stop", "torque stays possible while it is demanded"),
  CANNOT_BE_STARTED("cannot-be-started", "cannot be started", "nothing brings the motor to run"),
  CANNOT_BE_TOLD("cannot-be-told", "cannot be determined", "the design leaves open what happens");

  private final String key;
  private final String label;
  private final String hint;

  StopOutcome(String key, String label, String hint) {
    this.key = key;
    this.label = label;
    this.hint = hint;
  }

  /** The word in documents for other programs. */
  public String key() {
    return key;
  }

  /** The words shown to the user. */
  public String label() {
    return label;
  }

  /** What it means, in a few words. */
  public String hint() {
    return hint;
  }
}
