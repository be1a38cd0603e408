package unimotus.core.stops;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.PartSheet;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.LineSolver;
import unimotus.core.wiring.PlacedDevice;

/**
 * How a demand runs through relays and contactors: from the running circuit one part after the
 * other loses its coil or a channel and lets go after its own time, the circuit solved anew after
 * each. Not thread-safe.
 */
final class DropOut {
  /** A part that lets go, and what made it. */
  private record Fall(Reaction reaction, double atSeconds, @Nullable Fall cause, String part) {}

  private final StopCircuit circuit;
  private final LineSolver solver;
  private final Set<TerminalRef> stopping;
  private final List<PlacedDevice> parts;
  private CommandState state;
  private LineSolution seen;

  private DropOut(StopCircuit circuit) {
    this.circuit = circuit;
    this.solver = new LineSolver(circuit.installation());
    this.stopping = Set.copyOf(circuit.stopping());
    Map<String, String> held = new HashMap<>();
    circuit.relays().forEach(r -> held.put(r.id(), PartSheet.ENERGISED));
    circuit.drives().forEach(d -> held.put(d.id(), CommandState.RUNNING));
    this.state = new CommandState(new HashSet<>(circuit.runOutputs()), Map.of(), held);
    this.seen = solve();
    this.parts =
        circuit.installation().devices().stream()
            .filter(d -> d.sheet() instanceof PartSheet p && p.isDriven())
            .filter(d -> seen.isEnergised(d.id()))
            .toList();
    // From here on every part lets go when its time has come, not when its coil goes dark.
    parts.forEach(p -> state = state.withPosition(p.id(), PartSheet.ENERGISED));
  }

  /**
   * The way that takes longest, over all triggers: the trigger first, what stops last.
   *
   * @return the trigger alone where nothing else lets go
   */
  static List<Reaction> slowest(StopCircuit circuit) {
    return circuit.stop().triggers().stream()
        .map(t -> new DropOut(circuit).after(t))
        .max(Comparator.comparingDouble(c -> c.stream().mapToDouble(Reaction::seconds).sum()))
        .orElseThrow();
  }

  private List<Reaction> after(String trigger) {
    Reaction first = Reaction.ofTrigger(circuit, circuit.device(trigger));
    Fall last = new Fall(first, first.seconds(), null, trigger);
    List<Fall> waiting = new ArrayList<>();
    Set<TerminalRef> on = stoppingOn();
    fall(trigger, circuit.demand(trigger));
    Fall at = last;
    while (at != null) {
      Set<TerminalRef> still = stoppingOn();
      boolean stops = circuit.stop().contactors().contains(at.part());
      last = stops || !still.containsAll(on) ? at : last;
      on = still;
      enqueue(at, waiting);
      at = waiting.stream().min(Comparator.comparingDouble(Fall::atSeconds)).orElse(null);
      if (at != null) {
        waiting.remove(at);
        fall(at.part(), PartSheet.RELEASED);
      }
    }
    return way(last);
  }

  /** Each part that has lost what held it lets go after its time. */
  private void enqueue(Fall cause, List<Fall> waiting) {
    for (PlacedDevice part : parts) {
      boolean isUp = state.position(part.id(), "").equals(PartSheet.ENERGISED);
      boolean waits = waiting.stream().anyMatch(w -> w.part().equals(part.id()));
      if (isUp && !waits && !LineSolver.isDriven(seen, part, (PartSheet) part.sheet())) {
        Reaction reaction = Reaction.ofPart(part);
        waiting.add(new Fall(reaction, cause.atSeconds() + reaction.seconds(), cause, part.id()));
      }
    }
  }

  private void fall(String part, String position) {
    state = state.withPosition(part, position);
    seen = solve();
  }

  private LineSolution solve() {
    return solver.solve(state, List.of(), stopping, null);
  }

  private Set<TerminalRef> stoppingOn() {
    Set<TerminalRef> on = new HashSet<>();
    stopping.stream().filter(seen::isOn).forEach(on::add);
    return on;
  }

  private static List<Reaction> way(Fall last) {
    List<Reaction> way = new ArrayList<>();
    for (Fall at = last; at != null; at = at.cause()) {
      way.add(0, at.reaction());
    }
    return way;
  }
}
