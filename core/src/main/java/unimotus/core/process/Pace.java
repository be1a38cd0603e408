package unimotus.core.process;

/** How quickly a loop is to follow: the closed loop's time constant over the dead time. */
public enum Pace {
  QUICK("quick", 1),
  MEDIUM("medium", 2.5),
  CALM("calm", 4);

  private final String label;
  private final double times;

  Pace(String label, double times) {
    this.label = label;
    this.times = times;
  }

  /** For people. */
  public String label() {
    return label;
  }

  /** τc/θ. */
  public double times() {
    return times;
  }
}
