package unimotus.core.bench;

/** What the virtual drive reports. */
public enum DriveStatus {
  /** No permission: torque is off and no command is taken. */
  INHIBITED("not permitted"),
  /** Permission is there, no run command. */
  READY("ready"),
  /** Running at or towards its reference. */
  RUNNING("running"),
  /** Ramping down to standstill. */
  STOPPING("stopping");

  private final String label;

  DriveStatus(String label) {
    this.label = label;
  }

  /** The word shown to the user. */
  public String label() {
    return label;
  }
}
