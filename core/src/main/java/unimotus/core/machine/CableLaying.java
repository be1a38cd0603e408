package unimotus.core.machine;

/** How a power cable is laid, by the letters of IEC 60204-1. */
public enum CableLaying {
  /** B1: single cores in conduit or duct. */
  DUCT("B1", "cores in duct"),
  /** B2: a cable in conduit or duct. */
  CABLE_IN_DUCT("B2", "cable in duct"),
  /** C: a cable on a wall. */
  WALL("C", "cable on a wall"),
  /** E: a cable in free air or on a tray. */
  TRAY("E", "cable on a tray");

  private final String letter;
  private final String label;

  CableLaying(String letter, String label) {
    this.letter = letter;
    this.label = label;
  }

  /** The letter of the standard. */
  public String letter() {
    return letter;
  }

  /** The words shown. */
  public String label() {
    return label;
  }
}
