package unimotus.core.esi;

/** Which way process data go. */
public enum Direction {
  /** From the controller to the device. */
  OUTPUTS("outputs"),
  /** From the device to the controller. */
  INPUTS("inputs");

  private final String label;

  Direction(String label) {
    this.label = label;
  }

  /** The word shown, as the controller sees it. */
  public String label() {
    return label;
  }
}
