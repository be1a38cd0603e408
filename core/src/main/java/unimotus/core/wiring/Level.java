package unimotus.core.wiring;

/** How a binary input reads. */
public enum Level {
  ON("on"),
  OFF("off"),
  /** Between the limits: it may read either way. */
  UNDEFINED("undefined");

  private final String label;

  Level(String label) {
    this.label = label;
  }

  /** The words shown to the user. */
  public String label() {
    return label;
  }

  /** On for off and off for on; undefined stays. */
  public Level inverted() {
    return this == ON ? OFF : this == OFF ? ON : UNDEFINED;
  }
}
