package unimotus.core.sheet;

/** What makes a motor turn, and so what kind of drive it takes. */
public enum MotorKind {
  INDUCTION("induction motor"),
  PERMANENT_MAGNET("permanent-magnet servo motor"),
  STEPPER("step motor");

  private final String label;

  MotorKind(String label) {
    this.label = label;
  }

  /** The words shown. */
  public String label() {
    return label;
  }
}
