package unimotus.core.machine;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Which terminals are joined by wires, directly or over others. Built once, then asked. */
public final class Nets {
  private final Map<TerminalRef, TerminalRef> parent = new HashMap<>();

  /** Joins the ends of every wire. */
  public Nets(Collection<Wire> wires) {
    for (Wire wire : wires) {
      parent.put(root(wire.from()), root(wire.to()));
    }
  }

  /** Whether the two terminals are one conductor; a terminal is joined with itself. */
  public boolean joined(TerminalRef a, TerminalRef b) {
    return root(a).equals(root(b));
  }

  /** The terminals of {@code candidates} joined with {@code terminal}, in their order. */
  public List<TerminalRef> joinedWith(TerminalRef terminal, Collection<TerminalRef> candidates) {
    List<TerminalRef> found = new ArrayList<>();
    for (TerminalRef candidate : candidates) {
      if (joined(terminal, candidate)) {
        found.add(candidate);
      }
    }
    return found;
  }

  private TerminalRef root(TerminalRef terminal) {
    TerminalRef at = terminal;
    TerminalRef above = parent.get(at);
    while (above != null && !above.equals(at)) {
      at = above;
      above = parent.get(at);
    }
    return at;
  }
}
