package unimotus.core.positioning;

/** A bit from a positioning drive to the controller. */
public enum Reply {
  READY("ready"),
  HOMED("homed"),
  ACKNOWLEDGE("acknowledge"),
  BUSY("busy"),
  IN_POSITION("in position"),
  FAULT("fault");

  private final String label;

  Reply(String label) {
    this.label = label;
  }

  /** The word for it. */
  public String label() {
    return label;
  }
}
