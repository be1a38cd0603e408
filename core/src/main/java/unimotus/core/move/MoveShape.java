package unimotus.core.move;

/** How the speed of a move looks over time. */
public enum MoveShape {
  STANDING("no motion"),
  TRAPEZOID("trapezoid"),
  TRIANGLE("triangle: its velocity limit is not reached"),
  JERK_LIMITED("jerk-limited"),
  JERK_LIMITED_SHORT("jerk-limited: its velocity limit is not reached");

  private final String label;

  MoveShape(String label) {
    this.label = label;
  }

  /** The words shown. */
  public String label() {
    return label;
  }

  /** The shape of a plan that was made under limits. */
  public static MoveShape of(MotionPlan plan, double velocity, boolean jumps) {
    if (plan.peakVelocity() == 0) {
      return STANDING;
    }
    boolean reached = plan.peakVelocity() >= velocity * (1 - 1e-9);
    if (jumps) {
      return reached ? TRAPEZOID : TRIANGLE;
    }
    return reached ? JERK_LIMITED : JERK_LIMITED_SHORT;
  }
}
