package unimotus.desktop.wire;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import javafx.scene.Group;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.WiringFault;
import unimotus.workbench.board.WireBench;

/** The wires in the duct: found by the pointer, lit over their whole way. */
final class WireLayer extends Group {
  /** How near to a wire is on it. */
  private static final double REACH = 6;

  private final WireBench bench;
  private final List<WireLine> lines = new ArrayList<>();
  private @Nullable WireLine pointed;

  WireLayer(WireBench bench) {
    this.bench = bench;
    setManaged(false);
  }

  void clear() {
    lines.clear();
    pointed = null;
    getChildren().clear();
  }

  void add(WireLine line) {
    lines.add(line);
    getChildren().add(line);
  }

  /** The wire nearest to a point, where it is within reach. */
  Optional<WireLine> at(double x, double y) {
    return lines.stream()
        .filter(l -> l.way().distance(x, y) <= REACH)
        .min(Comparator.comparingDouble(l -> l.way().distance(x, y)));
  }

  /** Lights the wire under the pointer; returns it. */
  Optional<WireLine> point(double x, double y) {
    WireLine next = at(x, y).orElse(null);
    if (!Objects.equals(next, pointed)) {
      pointed = next;
      paint();
    }
    return Optional.ofNullable(next);
  }

  /** The wires on a terminal. */
  List<Wire> on(TerminalRef ref) {
    return lines.stream().map(WireLine::wire).filter(w -> w.touches(ref)).toList();
  }

  /** Shows what every wire carries, the chosen one over the others. */
  void paint() {
    LineSolution solution = bench.solution();
    String chosen = bench.wire().map(Wire::id).orElse("");
    Set<String> open = new HashSet<>();
    bench.faults().stream()
        .filter(WiringFault.OpenWire.class::isInstance)
        .forEach(f -> open.add(((WiringFault.OpenWire) f).wire()));
    for (WireLine line : lines) {
      boolean isChosen = line.wire().id().equals(chosen);
      String mark = isChosen ? "chosen" : line == pointed ? "pointed" : "";
      boolean carries = line.paint(solution, mark, open.contains(line.wire().id()));
      // On top of its bundle, so that the whole of its way is seen; what carries over what does
      // not.
      line.setViewOrder(isChosen ? -3 : line == pointed ? -2 : carries ? -1 : 0);
    }
  }
}
