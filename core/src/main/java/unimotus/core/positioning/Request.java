package unimotus.core.positioning;

/** A bit from the controller to a positioning drive. */
public enum Request {
  ENABLE("enable"),
  HOME("home"),
  START("start"),
  JOG_FORWARD("jog forward"),
  JOG_BACKWARD("jog backward"),
  STOP("stop"),
  RESET("reset");

  private final String label;

  Request(String label) {
    this.label = label;
  }

  /** The word for it. */
  public String label() {
    return label;
  }
}
