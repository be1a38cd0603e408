package unimotus.core.stops;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.machine.Nets;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.Terminal;
import unimotus.core.wiring.PlacedDevice;
import unimotus.core.wiring.WiringFault;

/**
 * Parts of a circuit that no current joins, whatever the contacts do: contacts are taken for
 * closed, and all that a device has inside for joined, but the contacts it moves.
 *
 * <p>One conductor between two islands carries no current, so a fault that is just that changes
 * nothing, and what a second fault does on top of it is what it does alone, unless it ties islands
 * too (Kirchhoff's current law).
 */
final class Islands {
  private final Nets nets;

  Islands(StopCircuit circuit) {
    List<Wire> joints = new ArrayList<>(circuit.wires());
    for (PlacedDevice device : circuit.installation().devices()) {
      TerminalRef body = null;
      for (Terminal terminal : device.sheet().terminals()) {
        TerminalRef here = device.ref(terminal.id());
        if (terminal.common() != null) {
          join(joints, here, device.ref(terminal.common()));
        }
        if (isBody(terminal)) {
          join(joints, here, body == null ? here : body);
          body = here;
        }
      }
    }
    this.nets = new Nets(joints);
  }

  private static void join(List<Wire> joints, TerminalRef one, TerminalRef other) {
    if (!one.equals(other)) {
      joints.add(new Wire("inside", one, other));
    }
  }

  private static boolean isBody(Terminal terminal) {
    return switch (terminal.role()) {
      case RELAY_COMMON, RELAY_CONTACT, FUSE, JUNCTION -> false;
      default -> !terminal.role().isPower();
    };
  }

  /** Whether a fault joins two islands. */
  boolean ties(ElementFault fault) {
    return fault.fault() instanceof WiringFault.CrossShort s && !nets.joined(s.one(), s.other());
  }

  /**
   * Whether a fault surely joins none: it opens, sticks, takes away, or shorts one island in
   * itself.
   */
  boolean staysWithin(ElementFault fault) {
    WiringFault what = fault.fault();
    return what instanceof WiringFault.CrossShort
        ? !ties(fault)
        : what instanceof WiringFault.OpenWire
            || what instanceof WiringFault.StuckClosed
            || what instanceof WiringFault.StuckOpen
            || what instanceof WiringFault.Stuck
            || what instanceof WiringFault.DeadSource;
  }
}
