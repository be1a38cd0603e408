package unimotus.core.stops;

/** When a fault shows: the machine stops by itself, or cannot be started again. */
public enum Detection {
  AT_ONCE("at once"),
  AT_DEMAND("at the next demand"),
  AT_RESET("at reset"),
  NEVER("never");

  private final String label;

  Detection(String label) {
    this.label = label;
  }

  /** The words shown to the user. */
  public String label() {
    return label;
  }
}
