package unimotus.core.circuit;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Finds the operating point of a circuit.
 *
 * <p>With every branch on one of its straight pieces the equations are linear (modified nodal
 * analysis). Newton's steps exchange pieces until each branch lies on the piece it was solved with.
 * Should they run in a circle, Katzenelson's walk takes over: straight toward the step's end, but
 * stopping at every knot to change one piece, which ends at the solution wherever currents rise
 * with voltages.
 */
public final class DcSolver {
  private static final int NEWTON_STEPS = 24;
  private static final int KNOTS_CROSSED = 4000;

  /**
   * Volts by which a branch may overstep its piece: rounding, not a bend. A supply without load
   * lies exactly on a knot, where wires of milliohms beside leaks of megohms leave so much in
   * doubt.
   */
  private static final double OVERSTEP_VOLTS = 1e-5;

  private final Circuit circuit;
  private final Islands islands;
  private final Unknowns unknowns;
  private final NodalMatrix matrix;
  private final int[] pieces;

  private DcSolver(Circuit circuit) {
    this.circuit = circuit;
    this.islands = new Islands(circuit);
    this.unknowns = new Unknowns(circuit, islands);
    this.matrix = new NodalMatrix(circuit, unknowns);
    this.pieces = new int[circuit.branches().size()];
  }

  /** Solves a circuit from nothing. */
  public static DcResult solve(Circuit circuit) {
    return solve(circuit, null);
  }

  /**
   * Solves a circuit.
   *
   * @param circuit the circuit
   * @param near the operating point of a circuit with much the same branches in another state, to
   *     start from; null for none. A bad beginning costs steps and changes nothing
   */
  public static DcResult solve(Circuit circuit, @Nullable OperatingPoint near) {
    Optional<DcResult.NoSolution> contradiction = FixedLoops.find(circuit);
    return contradiction.isPresent() ? contradiction.get() : new DcSolver(circuit).from(near);
  }

  private DcResult from(@Nullable OperatingPoint near) {
    int given = near == null ? 0 : near.branchCount();
    for (int i = 0; i < pieces.length; i++) {
      if (law(i) instanceof Characteristic law) {
        int piece = near != null && i < given ? near.piece(i) : law.likelyPiece();
        pieces[i] = Math.min(piece, law.knotVolts().length);
      }
    }
    double[] point = new double[unknowns.count()];
    for (int step = 0; step < NEWTON_STEPS; step++) {
      double[] next = matrix.solve(pieces);
      if (next == null) {
        return singular();
      }
      point = next;
      if (!followPieces(point)) {
        return result(point);
      }
    }
    return walk();
  }

  /** Moves every branch to the piece its voltage lies on; false where all lay there already. */
  private boolean followPieces(double[] point) {
    boolean moved = false;
    for (int i = 0; i < pieces.length; i++) {
      if (law(i) instanceof Characteristic law && overstep(law, i, volts(point, i)) > 0) {
        pieces[i] = law.pieceAt(volts(point, i));
        moved = true;
      }
    }
    return moved;
  }

  private DcResult walk() {
    double[] point = new double[unknowns.count()];
    for (int i = 0; i < pieces.length; i++) {
      pieces[i] = law(i) instanceof Characteristic law ? law.pieceAt(0) : 0;
    }
    for (int crossed = 0; crossed < KNOTS_CROSSED; crossed++) {
      double[] target = matrix.solve(pieces);
      if (target == null) {
        return singular();
      }
      int first = Unknowns.NONE;
      double share = 1;
      for (int i = 0; i < pieces.length; i++) {
        double reach = reach(i, point, target);
        if (reach < share) {
          share = reach;
          first = i;
        }
      }
      if (first == Unknowns.NONE) {
        return result(target);
      }
      pieces[first] += volts(target, first) > volts(point, first) ? 1 : -1;
      for (int k = 0; k < point.length; k++) {
        point[k] += share * (target[k] - point[k]);
      }
    }
    return new DcResult.NoSolution(
        "no operating point was found within %d steps".formatted(KNOTS_CROSSED), List.of());
  }

  /** How far, as share of the way to the target, a branch gets before it leaves its piece. */
  private double reach(int branch, double[] point, double[] target) {
    if (!(law(branch) instanceof Characteristic law)) {
      return 1;
    }
    double there = volts(target, branch);
    if (overstep(law, branch, there) <= 0) {
      return 1;
    }
    double here = volts(point, branch);
    double knot = there > here ? law.end(pieces[branch]) : law.begin(pieces[branch]);
    return Math.max(0, (knot - here) / (there - here));
  }

  private double overstep(Characteristic law, int branch, double v) {
    int piece = pieces[branch];
    return Math.max(law.begin(piece) - v, v - law.end(piece)) - OVERSTEP_VOLTS;
  }

  private Law law(int branch) {
    return circuit.branches().get(branch).law();
  }

  private double volts(double[] point, int branch) {
    Branch b = circuit.branches().get(branch);
    return nodeVolts(point, b.from()) - nodeVolts(point, b.to());
  }

  private double nodeVolts(double[] point, int node) {
    int unknown = unknowns.ofNode(node);
    return unknown == Unknowns.NONE ? 0 : point[unknown];
  }

  private DcResult.NoSolution singular() {
    return new DcResult.NoSolution(
        "the equations of the circuit have no single solution", List.of());
  }

  private OperatingPoint result(double[] point) {
    double[] nodes = new double[circuit.nodes().size()];
    for (int n = 0; n < nodes.length; n++) {
      nodes[n] = nodeVolts(point, n);
    }
    double[] amperes = new double[pieces.length];
    for (int i = 0; i < amperes.length; i++) {
      amperes[i] = amperes(point, i);
    }
    return new OperatingPoint(islands, nodes, amperes, pieces.clone());
  }

  private double amperes(double[] point, int branch) {
    if (law(branch) instanceof Characteristic law && circuit.branches().get(branch).conducts()) {
      return law.amperesAt(volts(point, branch), pieces[branch]);
    }
    int unknown = unknowns.ofBranch(branch);
    return unknown == Unknowns.NONE ? 0 : point[unknown];
  }
}
