package unimotus.core.circuit;

import org.ejml.data.DMatrixRMaj;
import org.ejml.data.DMatrixSparseCSC;
import org.ejml.data.DMatrixSparseTriplet;
import org.ejml.interfaces.linsol.LinearSolverSparse;
import org.ejml.ops.DConvertMatrixStruct;
import org.ejml.sparse.FillReducing;
import org.ejml.sparse.csc.CommonOps_DSCC;
import org.ejml.sparse.csc.factory.LinearSolverFactory_DSCC;
import org.jspecify.annotations.Nullable;

/**
 * The linear equations of a circuit with every branch on one given piece: Kirchhoff's current law
 * at each node, the voltage law along each fixed voltage.
 */
final class NodalMatrix {
  private final Circuit circuit;
  private final Unknowns unknowns;
  private final LinearSolverSparse<DMatrixSparseCSC, DMatrixRMaj> factors =
      LinearSolverFactory_DSCC.lu(FillReducing.NONE);

  NodalMatrix(Circuit circuit, Unknowns unknowns) {
    this.circuit = circuit;
    this.unknowns = unknowns;
  }

  /** The unknowns for the given pieces; null where the equations have no single solution. */
  double @Nullable [] solve(int[] pieces) {
    int size = unknowns.count();
    if (size == 0) {
      return new double[0];
    }
    DMatrixSparseTriplet entries =
        new DMatrixSparseTriplet(size, size, 4 * circuit.branches().size());
    DMatrixRMaj right = new DMatrixRMaj(size, 1);
    for (int i = 0; i < pieces.length; i++) {
      Branch branch = circuit.branches().get(i);
      if (branch.conducts()) {
        stamp(branch, i, pieces[i], entries, right);
      }
    }
    DMatrixSparseCSC matrix = DConvertMatrixStruct.convert(entries, (DMatrixSparseCSC) null);
    // The converter keeps entries of one place apart; the factors want them added up.
    CommonOps_DSCC.duplicatesAdd(matrix, null);
    DMatrixRMaj solution = new DMatrixRMaj(size, 1);
    if (!factors.setA(matrix)) {
      return null;
    }
    factors.solve(right, solution);
    for (double value : solution.data) {
      if (!Double.isFinite(value)) {
        return null;
      }
    }
    return solution.data;
  }

  private void stamp(
      Branch branch, int index, int piece, DMatrixSparseTriplet entries, DMatrixRMaj right) {
    int from = unknowns.ofNode(branch.from());
    int to = unknowns.ofNode(branch.to());
    if (branch.law() instanceof Law.FixedVoltage fixed) {
      int row = unknowns.ofBranch(index);
      put(entries, from, row, 1);
      put(entries, to, row, -1);
      put(entries, row, from, 1);
      put(entries, row, to, -1);
      right.add(row, 0, fixed.volts());
    } else if (branch.law() instanceof Characteristic law) {
      double slope = law.slope(piece);
      put(entries, from, from, slope);
      put(entries, to, to, slope);
      put(entries, from, to, -slope);
      put(entries, to, from, -slope);
      addRight(right, from, -law.offset(piece));
      addRight(right, to, law.offset(piece));
    }
  }

  private static void put(DMatrixSparseTriplet entries, int row, int column, double value) {
    if (row != Unknowns.NONE && column != Unknowns.NONE) {
      entries.addItem(row, column, value);
    }
  }

  private static void addRight(DMatrixRMaj right, int row, double value) {
    if (row != Unknowns.NONE) {
      right.add(row, 0, value);
    }
  }
}
