package unimotus.core.machine;

/** Through what a demand reaches what stops the motor. */
public enum StopLogic {
  DIRECT("Contacts directly", "two opening contacts straight into the stopping inputs"),
  SAFETY_RELAY("Safety relay", "two watched channels, two safety contacts"),
  RELAY_CONTACTORS("Safety relay and contactors", "mirror contacts in the reset loop"),
  RELAY_CHAIN("Relay chain", "contactor and changeover relay in the run inputs");

  private final String label;
  private final String hint;

  StopLogic(String label, String hint) {
    this.label = label;
    this.hint = hint;
  }

  /** The words shown to the user. */
  public String label() {
    return label;
  }

  /** How it is built, in a few words. */
  public String hint() {
    return hint;
  }

  /** Whether a safety relay watches the channels. */
  public boolean hasRelay() {
    return this == SAFETY_RELAY || this == RELAY_CONTACTORS;
  }
}
