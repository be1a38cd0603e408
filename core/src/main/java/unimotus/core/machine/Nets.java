package unimotus.core.machine;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;

/** Which terminals are joined by wires, directly or over others. Built once, then asked. */
public final class Nets {
  private final Joined<TerminalRef> ends = new Joined<>();

  /** Joins the ends of every wire. */
  public Nets(Collection<Wire> wires) {
    wires.forEach(w -> ends.join(w.from(), w.to()));
  }

  /** Whether the two terminals are one conductor; a terminal is joined with itself. */
  public boolean joined(TerminalRef a, TerminalRef b) {
    return conductor(a).equals(conductor(b));
  }

  /** One terminal that stands for the conductor a terminal is on: the same for all of them. */
  public TerminalRef conductor(TerminalRef terminal) {
    return ends.of(terminal);
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
}
