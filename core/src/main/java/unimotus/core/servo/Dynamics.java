package unimotus.core.servo;

/** How quickly the loops are made; the calm one comes first when nothing is known (practice). */
public enum Dynamics {
  CALM("calm", 8),
  MEDIUM("medium", 4),
  QUICK("quick", 2);

  private final String label;
  private final double slower;

  Dynamics(String label, double slower) {
    this.label = label;
    this.slower = slower;
  }

  /** The word shown. */
  public String label() {
    return label;
  }

  /** By how much the velocity loop is slower than the lag it has to live with; a of the rule. */
  double slower() {
    return slower;
  }
}
