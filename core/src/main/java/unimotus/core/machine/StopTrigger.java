package unimotus.core.machine;

/** What a hand or a guard does to demand a stop. */
public enum StopTrigger {
  EMERGENCY_STOP("Emergency stop button", "emergency-stop-button"),
  GUARD_SWITCH("Guard with position switch", "guard-switch"),
  GUARD_LOCK("Guard with lock", "guard-lock"),
  LIGHT_CURTAIN("Light curtain", "light-curtain"),
  CABLE_PULL("Cable pull", "cable-pull-switch"),
  TRAPPED_KEY("Trapped key", "trapped-key-switch");

  private final String label;
  private final String sheet;

  StopTrigger(String label, String sheet) {
    this.label = label;
    this.sheet = sheet;
  }

  /** The words shown to the user. */
  public String label() {
    return label;
  }

  /** Id of the class of part that is used where none is chosen. */
  public String sheet() {
    return sheet;
  }

  /** Whether what demands the stop is a guard, through which a person may have gone. */
  public boolean isGuard() {
    return this == GUARD_SWITCH || this == GUARD_LOCK || this == TRAPPED_KEY;
  }
}
