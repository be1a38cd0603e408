package unimotus.core.circuit;

/**
 * One two-terminal element.
 *
 * @param name what it is, for messages and netlists
 * @param from index of the first node; current counts positive from here through the branch
 * @param to index of the second node
 * @param law current against voltage
 */
public record Branch(String name, int from, int to, Law law) {

  /** Whether the branch joins its two nodes. */
  public boolean conducts() {
    return !(law instanceof Law.Open) && from != to;
  }
}
