package unimotus.core.stops;

/** What a stop amounts to when it is timed (IEC 60204-1, from memory). */
public enum StopCategory {
  /** Power is taken away at once; the load coasts. */
  ZERO("Stop category 0", "torque is taken away at once, the load coasts"),
  /** A controlled stop, then power is taken away. */
  ONE("Stop category 1", "controlled to standstill, then torque is taken away"),
  /** A controlled stop that is cut off before standstill. */
  ONE_CUT(
      "Stop category 1, cut short", "torque is taken away during the ramp, the rest is a coast"),
  /** A controlled stop with power left: no emergency stop may be one. */
  TWO("Stop category 2", "controlled to standstill, power stays on"),
  /** Not done by means made for safety. */
  NONE("No safety stop", "settings and electronics decide");

  private final String label;
  private final String hint;

  StopCategory(String label, String hint) {
    this.label = label;
    this.hint = hint;
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
