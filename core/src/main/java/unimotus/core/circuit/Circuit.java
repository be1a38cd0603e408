package unimotus.core.circuit;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;

/**
 * Nodes joined by branches. Immutable; made with a {@link Builder}.
 *
 * <p>Node numbers run from 0 in the order the names first came up.
 */
public final class Circuit {
  private final List<String> nodes;
  private final List<Branch> branches;
  private final List<Integer> grounds;

  private final Map<String, Integer> numbers;
  private final List<Integer> order;

  // A builder is used once, so that its lists need no copy: circuits are made by the thousand.
  private Circuit(Builder made) {
    this.nodes = Collections.unmodifiableList(made.nodes);
    this.numbers = made.numbers;
    this.branches = Collections.unmodifiableList(made.branches);
    this.grounds = Collections.unmodifiableList(made.grounds);
    this.order = made.order();
  }

  /** Starts an empty circuit. */
  public static Builder builder() {
    return new Builder();
  }

  /** Names of the nodes, by number. */
  public List<String> nodes() {
    return nodes;
  }

  /** The number of the node with this name; empty where the circuit has none such. */
  public OptionalInt node(String name) {
    Integer number = numbers.get(name);
    return number == null ? OptionalInt.empty() : OptionalInt.of(number);
  }

  /** The numbers of the nodes in the order they were told to be eliminated; empty for none told. */
  List<Integer> order() {
    return order;
  }

  /**
   * Names of the nodes in an order of elimination that fills the equations little: good for every
   * circuit of much the same nodes and branches.
   */
  public List<String> eliminationOrder() {
    return Unknowns.leastDegree(this).stream().map(nodes::get).toList();
  }

  /** The branches, in the order they were added. */
  public List<Branch> branches() {
    return branches;
  }

  /** The nodes voltages are best counted from, the first of an island wins; possibly empty. */
  public List<Integer> grounds() {
    return grounds;
  }

  /** Collects nodes and branches. Not thread-safe. */
  public static final class Builder {
    private final Map<String, Integer> numbers = new HashMap<>();
    private final List<String> nodes = new ArrayList<>();
    private final List<Branch> branches = new ArrayList<>();
    private final List<Integer> grounds = new ArrayList<>();
    private List<String> told = List.of();

    private Builder() {}

    /** Tells an order of elimination that was found for a circuit like this one. */
    public Builder ordered(List<String> names) {
      told = names;
      return this;
    }

    /** The told order in numbers, nodes it does not know at the end. */
    private List<Integer> order() {
      if (told.isEmpty()) {
        return List.of();
      }
      List<Integer> order = new ArrayList<>(nodes.size());
      boolean[] placed = new boolean[nodes.size()];
      for (String name : told) {
        Integer number = numbers.get(name);
        if (number != null) {
          order.add(number);
          placed[number] = true;
        }
      }
      for (int i = 0; i < placed.length; i++) {
        if (!placed[i]) {
          order.add(i);
        }
      }
      return order;
    }

    /** The number of the node called {@code name}, which is made where it is new. */
    public int node(String name) {
      return numbers.computeIfAbsent(
          name,
          n -> {
            nodes.add(n);
            return nodes.size() - 1;
          });
    }

    /** Names a node voltages are best counted from. */
    public Builder ground(String node) {
      grounds.add(node(node));
      return this;
    }

    /** Adds a branch between two nodes by name and returns its number. */
    public int add(String name, String from, String to, Law law) {
      branches.add(new Branch(name, node(from), node(to), law));
      return branches.size() - 1;
    }

    /** The finished circuit. */
    public Circuit build() {
      return new Circuit(this);
    }
  }
}
