package unimotus.core.machine;

/** Where the shield of a cable is earthed. */
public enum Shield {
  NONE("no shield"),
  PANEL_END("earthed at the panel end"),
  BOTH_ENDS("earthed at both ends");

  private final String label;

  Shield(String label) {
    this.label = label;
  }

  /** The words shown to the user. */
  public String label() {
    return label;
  }
}
