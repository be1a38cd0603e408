package unimotus.core.safety;

/**
 * Structure of a part of a safety function: what the standard calls its category B, 1, 2, 3 or 4
 * (ISO 13849-1, from memory). Not to be mixed up with the category of a stop.
 */
public enum Structure {
  B("B", "one channel, or two of which no fault is found", PerformanceLevel.B),
  ONE("1", "one channel of well-tried devices", PerformanceLevel.C),
  TWO("2", "one channel that is tested between demands", PerformanceLevel.D),
  THREE(
      "3",
      "two channels, no single fault loses the stop, some faults are found",
      PerformanceLevel.E),
  FOUR("4", "two channels, faults are found before a second one can harm", PerformanceLevel.E);

  private final String label;
  private final String hint;
  private final PerformanceLevel best;

  Structure(String label, String hint, PerformanceLevel best) {
    this.label = label;
    this.hint = hint;
    this.best = best;
  }

  /** The digit or letter as it is written. */
  public String label() {
    return label;
  }

  /** What the structure can do, in a few words. */
  public String hint() {
    return hint;
  }

  /** The best performance level that can be reached with it. */
  public PerformanceLevel best() {
    return best;
  }

  /** Whether it rests on two channels. */
  public boolean isTwoChannel() {
    return this == THREE || this == FOUR;
  }

  /** The longest mean time to dangerous failure of a channel that may be counted, in years. */
  public double mostYears() {
    return this == FOUR ? 2500 : 100;
  }
}
