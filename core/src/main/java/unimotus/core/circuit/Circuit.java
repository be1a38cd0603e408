package unimotus.core.circuit;

import java.util.ArrayList;
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

  private Circuit(
      List<String> nodes,
      List<Branch> branches,
      List<Integer> grounds,
      Map<String, Integer> numbers) {
    this.nodes = List.copyOf(nodes);
    this.numbers = Map.copyOf(numbers);
    this.branches = List.copyOf(branches);
    this.grounds = List.copyOf(grounds);
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

    private Builder() {}

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
      return new Circuit(nodes, branches, grounds, numbers);
    }
  }
}
