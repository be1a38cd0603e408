package unimotus.core.circuit;

import java.util.OptionalDouble;

/** The voltages and currents of a solved circuit. Immutable. */
public final class OperatingPoint implements DcResult {
  private final Islands islands;
  private final double[] nodeVolts;
  private final double[] branchAmperes;
  private final int[] pieces;

  OperatingPoint(Islands islands, double[] nodeVolts, double[] branchAmperes, int[] pieces) {
    this.islands = islands;
    this.nodeVolts = nodeVolts;
    this.branchAmperes = branchAmperes;
    this.pieces = pieces;
  }

  /**
   * Volts of node {@code a} against node {@code b}; empty where no branch joins the two, directly
   * or over others: they float against each other.
   */
  public OptionalDouble volts(int a, int b) {
    return joined(a, b) ? OptionalDouble.of(nodeVolts[a] - nodeVolts[b]) : OptionalDouble.empty();
  }

  /** Volts of a node against the ground of its island. */
  public double volts(int node) {
    return nodeVolts[node];
  }

  /** Whether the two nodes are joined by branches. */
  public boolean joined(int a, int b) {
    return islands.of(a) == islands.of(b);
  }

  /** Amperes through a branch, positive from its first node to its second. */
  public double amperes(int branch) {
    return branchAmperes[branch];
  }

  int piece(int branch) {
    return pieces[branch];
  }

  int branchCount() {
    return pieces.length;
  }
}
