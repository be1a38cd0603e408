package unimotus.core.stops;

/** What can happen to an element of a stop circuit (ISO 13849-2, from memory). */
public enum FaultKind {
  STUCK_CLOSED("does not open"),
  STUCK_OPEN("does not close"),
  BREAK("wire break"),
  SHORT_TO_24V("short to 24 V"),
  SHORT_TO_0V("short to 0 V, earth fault"),
  CROSS_SHORT("short between conductors"),
  SUPPLY_LOST("supply lost"),
  FUSE_BLOWN("blown");

  private final String label;

  FaultKind(String label) {
    this.label = label;
  }

  /** The words shown to the user. */
  public String label() {
    return label;
  }
}
