package unimotus.core.safety;

/** Category of a structure (ISO 13849-1, from memory), as far as circuits of this program go. */
public enum Category {
  B("B", "one channel, or two of which no fault is found", PerformanceLevel.B),
  ONE("1", "one channel of well-tried devices", PerformanceLevel.C),
  THREE(
      "3",
      "two channels, no single fault loses the stop, some faults are found",
      PerformanceLevel.E),
  FOUR("4", "two channels, faults are found before a second one can harm", PerformanceLevel.E);

  private final String label;
  private final String hint;
  private final PerformanceLevel best;

  Category(String label, String hint, PerformanceLevel best) {
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
