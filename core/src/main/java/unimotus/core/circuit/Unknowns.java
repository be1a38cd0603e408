package unimotus.core.circuit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;

/**
 * Numbers the unknowns of a circuit: the voltage of every node but the grounds, and the current of
 * every fixed voltage. Nodes with few neighbours come first (minimum degree), which keeps the
 * factors of wiring, mostly stars and trees, nearly as empty as the matrix.
 */
final class Unknowns {
  static final int NONE = -1;

  private final int[] ofNode;
  private final int[] ofBranch;
  private final int count;

  Unknowns(Circuit circuit, Islands islands) {
    ofNode = new int[circuit.nodes().size()];
    ofBranch = new int[circuit.branches().size()];
    Arrays.fill(ofNode, NONE);
    Arrays.fill(ofBranch, NONE);
    int next = 0;
    for (int node : orderOf(circuit, islands)) {
      ofNode[node] = next++;
    }
    for (int i = 0; i < ofBranch.length; i++) {
      Branch branch = circuit.branches().get(i);
      if (branch.law() instanceof Law.FixedVoltage && branch.conducts()) {
        ofBranch[i] = next++;
      }
    }
    count = next;
  }

  int count() {
    return count;
  }

  int ofNode(int node) {
    return ofNode[node];
  }

  int ofBranch(int branch) {
    return ofBranch[branch];
  }

  /** As it was found before for a circuit of the same nodes, where there is such an order. */
  private static List<Integer> orderOf(Circuit circuit, Islands islands) {
    if (circuit.order().isEmpty()) {
      return order(circuit, islands);
    }
    List<Integer> order = new ArrayList<>(circuit.nodes().size());
    for (int node : circuit.order()) {
      if (!islands.isGround(node)) {
        order.add(node);
      }
    }
    return order;
  }

  /** The numbers of the nodes in the order of least degree. */
  static List<Integer> leastDegree(Circuit circuit) {
    return order(circuit, new Islands(circuit));
  }

  private static List<Integer> order(Circuit circuit, Islands islands) {
    int size = circuit.nodes().size();
    BitSet[] neighbours = neighbours(circuit, islands);
    ByDegree left = new ByDegree(size);
    for (int node = 0; node < size; node++) {
      if (!islands.isGround(node)) {
        left.put(node, neighbours[node].cardinality());
      }
    }
    List<Integer> order = new ArrayList<>(size);
    for (int best = left.take(); best >= 0; best = left.take()) {
      order.add(best);
      BitSet around = neighbours[best];
      for (int n = around.nextSetBit(0); n >= 0; n = around.nextSetBit(n + 1)) {
        neighbours[n].or(around);
        neighbours[n].clear(n);
        neighbours[n].clear(best);
        left.put(n, neighbours[n].cardinality());
      }
    }
    return order;
  }

  private static BitSet[] neighbours(Circuit circuit, Islands islands) {
    BitSet[] neighbours = new BitSet[circuit.nodes().size()];
    Arrays.setAll(neighbours, i -> new BitSet());
    for (Branch branch : circuit.branches()) {
      boolean toGround = islands.isGround(branch.from()) || islands.isGround(branch.to());
      if (branch.conducts() && !toGround) {
        neighbours[branch.from()].set(branch.to());
        neighbours[branch.to()].set(branch.from());
      }
    }
    return neighbours;
  }
}
