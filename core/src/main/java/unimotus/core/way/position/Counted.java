package unimotus.core.way.position;

/** What a position is counted in on its way to the drive. */
public enum Counted {
  /** Counts of an encoder, in a word of the drive. */
  COUNTS("counts", "motion axis", "IEC 61800-7-201 (from memory)"),
  /** Pulses on a wire, counted by the program. */
  PULSES("pulses", "program", "counting");

  private final String word;
  private final String by;
  private final String source;

  Counted(String word, String by, String source) {
    this.word = word;
    this.by = by;
    this.source = source;
  }

  /** Their name. */
  public String word() {
    return word;
  }

  /** What makes them of a position. */
  public String by() {
    return by;
  }

  /** Where the formula is from. */
  public String source() {
    return source;
  }
}
