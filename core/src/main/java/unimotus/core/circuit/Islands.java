package unimotus.core.circuit;

import java.util.Arrays;

/** The nodes sorted into groups that conducting branches join, each with one node as its ground. */
final class Islands {
  private final int[] parent;
  private final boolean[] isGround;

  Islands(Circuit circuit) {
    parent = new int[circuit.nodes().size()];
    Arrays.setAll(parent, i -> i);
    for (Branch branch : circuit.branches()) {
      if (branch.conducts()) {
        parent[of(branch.from())] = of(branch.to());
      }
    }
    isGround = new boolean[parent.length];
    boolean[] grounded = new boolean[parent.length];
    circuit.grounds().forEach(n -> ground(n, grounded));
    for (int node = 0; node < parent.length; node++) {
      ground(node, grounded);
    }
  }

  private void ground(int node, boolean[] grounded) {
    int island = of(node);
    if (!grounded[island]) {
      grounded[island] = true;
      isGround[node] = true;
    }
  }

  /** The island of a node, as the number of one of its nodes. */
  int of(int node) {
    int at = node;
    while (parent[at] != at) {
      parent[at] = parent[parent[at]];
      at = parent[at];
    }
    return at;
  }

  boolean isGround(int node) {
    return isGround[node];
  }
}
