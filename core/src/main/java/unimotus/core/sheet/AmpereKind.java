package unimotus.core.sheet;

/** What a number of amperes of a winding is of. √2 lies between the two. */
public enum AmpereKind {
  RMS("r.m.s."),
  PEAK("peak");

  private final String label;

  AmpereKind(String label) {
    this.label = label;
  }

  /** The words shown. */
  public String label() {
    return label;
  }
}
