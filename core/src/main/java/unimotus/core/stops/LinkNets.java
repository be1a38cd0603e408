package unimotus.core.stops;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.TerminalRole;

/** Which drives have their d.c. links wired together, directly or over an infeed. */
final class LinkNets {
  private final Map<String, String> leads = new HashMap<>();

  private LinkNets() {}

  static LinkNets of(List<AxisAssembly> axes) {
    LinkNets nets = new LinkNets();
    Set<TerminalRef> plus = new HashSet<>();
    for (AxisAssembly axis : axes) {
      add(plus, axis.drive().id(), axis.driveSheet());
      axis.parts().forEach(p -> add(plus, p.part().id(), p.sheet()));
    }
    for (AxisAssembly axis : axes) {
      for (Wire wire : axis.wires()) {
        if (plus.contains(wire.from()) && plus.contains(wire.to())) {
          nets.join(wire.from().device(), wire.to().device());
        }
      }
    }
    return nets;
  }

  private static void add(Set<TerminalRef> plus, String device, DeviceSheet sheet) {
    sheet.terminals().stream()
        .filter(t -> t.role() == TerminalRole.LINK_PLUS)
        .forEach(t -> plus.add(new TerminalRef(device, t.id())));
  }

  private void join(String one, String other) {
    String first = of(one);
    String second = of(other);
    if (!first.equals(second)) {
      leads.put(second, first);
    }
  }

  /** The device that stands for all whose links are joined with this one's. */
  String of(String device) {
    String at = device;
    while (leads.containsKey(at)) {
      at = leads.getOrDefault(at, at);
    }
    return at;
  }
}
