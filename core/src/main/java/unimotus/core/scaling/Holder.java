package unimotus.core.scaling;

/** Who holds a copy of the scaling. */
public enum Holder {
  /** What is really there: encoder of the motor, gear and feed of the mechanics. */
  MACHINE("Machine", "motor plate and mechanics"),
  DRIVE("Drive", "objects of the drive"),
  BUS("Bus configuration", "scaling of the station in the controller's project"),
  PROGRAM("Motion axis", "axis in the controller's program");

  private final String label;
  private final String where;

  Holder(String label, String where) {
    this.label = label;
    this.where = where;
  }

  /** Its name. */
  public String label() {
    return label;
  }

  /** Where it is found. */
  public String where() {
    return where;
  }
}
