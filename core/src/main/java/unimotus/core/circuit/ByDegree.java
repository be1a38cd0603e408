package unimotus.core.circuit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;

/**
 * Nodes sorted by how many neighbours they have, so that the next to eliminate is found without
 * looking at all of them.
 */
final class ByDegree {
  private static final int GONE = -1;

  private final List<BitSet> nodes = new ArrayList<>();
  private final int[] degrees;
  private int least;

  /** Nothing sorted in yet, of node numbers below {@code size}. */
  ByDegree(int size) {
    degrees = new int[size];
    Arrays.fill(degrees, GONE);
  }

  /** Sorts a node in, or anew where its degree changed. */
  void put(int node, int degree) {
    if (degrees[node] != GONE) {
      nodes.get(degrees[node]).clear(node);
    }
    while (nodes.size() <= degree) {
      nodes.add(new BitSet());
    }
    nodes.get(degree).set(node);
    degrees[node] = degree;
    least = Math.min(least, degree);
  }

  /** Takes out the first node of the least degree; -1 where none is left. */
  int take() {
    while (least < nodes.size() && nodes.get(least).isEmpty()) {
      least++;
    }
    if (least == nodes.size()) {
      return GONE;
    }
    int node = nodes.get(least).nextSetBit(0);
    nodes.get(least).clear(node);
    degrees[node] = GONE;
    return node;
  }
}
