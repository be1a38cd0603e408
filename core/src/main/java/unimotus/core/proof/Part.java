package unimotus.core.proof;

/** The parts of an axis' design a prediction can depend on. */
public enum Part {
  CONTROLLER("controller channels"),
  PROGRAM("program scaling"),
  PRESETS("preset speeds"),
  WIRES("wires"),
  DRIVE("drive settings"),
  MOTOR("motor plate"),
  MECHANICS("mechanics and load"),
  STOP("stop function"),
  POWER("plate and power cables of the drive");

  private final String label;

  Part(String label) {
    this.label = label;
  }

  /** The words shown to the user. */
  public String label() {
    return label;
  }
}
