package unimotus.core.wiring;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.PlacedPart;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.machine.WireMake;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/** Resistors that lie in a signal's way: what is behind one belongs to what is before it. */
public final class Resistors {
  private Resistors() {}

  /** The wires of an axis, each resistor counted as one. */
  public static List<Wire> bridged(AxisAssembly axis) {
    List<Wire> all = new ArrayList<>(axis.wires());
    for (PlacedPart part : axis.parts()) {
      for (Terminal terminal : part.sheet().terminals()) {
        String other = terminal.common();
        if (terminal.role() == TerminalRole.RESISTOR && other != null) {
          String id = part.part().id();
          all.add(
              new Wire(
                  "R" + all.size(),
                  new TerminalRef(id, terminal.id()),
                  new TerminalRef(id, other),
                  WireMake.PLAIN));
        }
      }
    }
    return all;
  }
}
