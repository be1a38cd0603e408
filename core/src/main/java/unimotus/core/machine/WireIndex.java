package unimotus.core.machine;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The wires of a line by the devices and terminals they touch. */
final class WireIndex {
  private final List<Wire> all;
  private final Map<String, List<Wire>> byDevice = new HashMap<>();
  private final Map<TerminalRef, List<Wire>> byTerminal = new HashMap<>();

  /** Sorts the wires. */
  public WireIndex(Collection<Wire> wires) {
    all = List.copyOf(wires);
    for (Wire wire : wires) {
      add(wire.from().device(), wire);
      if (!wire.to().device().equals(wire.from().device())) {
        add(wire.to().device(), wire);
      }
      byTerminal.computeIfAbsent(wire.from(), t -> new ArrayList<>()).add(wire);
      byTerminal.computeIfAbsent(wire.to(), t -> new ArrayList<>()).add(wire);
    }
  }

  private void add(String device, Wire wire) {
    byDevice.computeIfAbsent(device, d -> new ArrayList<>()).add(wire);
  }

  /** All wires, in the order of the line. */
  public List<Wire> all() {
    return all;
  }

  /** The wires on a terminal, in the order of the line; possibly empty. */
  public List<Wire> on(TerminalRef terminal) {
    return byTerminal.getOrDefault(terminal, List.of());
  }

  /** The wires of a device, in the order of the line; possibly empty. */
  public List<Wire> of(String device) {
    return byDevice.getOrDefault(device, List.of());
  }
}
