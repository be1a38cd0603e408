package unimotus.core.safety;

/** The risk graph of ISO 13849-1, annex A (from memory). */
final class RiskGraph {
  private RiskGraph() {}

  /**
   * The performance level that is required.
   *
   * @param severe irreversible injury or death (S2)
   * @param frequent people in danger often or for long (F2)
   * @param hardlyAvoidable the danger can hardly be avoided (P2)
   */
  public static PerformanceLevel required(
      boolean severe, boolean frequent, boolean hardlyAvoidable) {
    int steps = (severe ? 2 : 0) + (frequent ? 1 : 0) + (hardlyAvoidable ? 1 : 0);
    return PerformanceLevel.values()[steps];
  }
}
