package unimotus.core.stops;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.PlacedDevice;

/**
 * What holds a channel closed although the stop is demanded, found by taking out one thing after
 * the other in thought.
 */
final class Bridges {
  /** So many ways to open each channel are combined with those of another. */
  private static final int MOST_CHOICES = 4;

  private final StopCircuit circuit;
  private final StopMachine machine;
  private final List<Repairs.Repair> removals;

  Bridges(StopCircuit circuit) {
    this.circuit = circuit;
    this.machine = new StopMachine(circuit);
    this.removals = new Repairs(circuit).removals();
  }

  /** What keeps torque possible after these events, in words; never empty. */
  List<String> because(List<StopEvent> seen) {
    List<StopEvent> way = demanded(seen);
    List<String> found = new ArrayList<>(turned(way));
    if (found.isEmpty()) {
      removals.stream().filter(r -> helps(List.of(r), way)).forEach(r -> found.add(r.fault()));
    }
    if (found.isEmpty()) {
      found.addAll(together(way));
    }
    if (found.isEmpty()) {
      found.add(
          "no contact of %s lies in the way of %s"
              .formatted(
                  String.join(", ", circuit.stop().triggers().stream().map(circuit::name).toList()),
                  circuit.name(circuit.axis().drive().id())));
    }
    return found;
  }

  /** A curtain that locked itself out counts as demanded; a repaired one has to be interrupted. */
  private List<StopEvent> demanded(List<StopEvent> way) {
    if (way.stream().anyMatch(e -> e.kind() == StopEvent.Kind.DEMAND)) {
      return way;
    }
    List<StopEvent> more = new ArrayList<>(way);
    more.add(StopEvent.demand(circuit, circuit.stop().triggers().get(0)));
    return more;
  }

  /** A switch or an output of the program without which the stop stops. */
  private List<String> turned(List<StopEvent> way) {
    List<String> found = new ArrayList<>();
    for (StopEvent event : way) {
      boolean turned =
          event.kind() == StopEvent.Kind.TURN || event.kind() == StopEvent.Kind.OUTPUT_ON;
      if (turned && !isTorquePossible(circuit, without(way, event))) {
        found.add("%s goes round it".formatted(event.text(circuit)));
      }
    }
    return found;
  }

  /** No single thing is to blame: one for each channel, and all of them have to go. */
  private List<String> together(List<StopEvent> way) {
    StopState at = machine.from(way);
    List<List<Repairs.Repair>> choices = new ArrayList<>();
    for (TerminalRef held : heldOn(at)) {
      List<Repairs.Repair> opening =
          removals.stream().filter(r -> opens(r, held, way)).limit(MOST_CHOICES).toList();
      if (!opening.isEmpty()) {
        choices.add(opening);
      }
    }
    for (List<Repairs.Repair> all : combined(choices)) {
      if (helps(all, way)) {
        return all.stream().map(Repairs.Repair::fault).distinct().toList();
      }
    }
    return List.of();
  }

  /** Whether a terminal is off on the demand once something is taken out. */
  private boolean opens(Repairs.Repair repair, TerminalRef held, List<StopEvent> way) {
    StopCircuit repaired = repair.change().apply(circuit);
    StopMachine tried = new StopMachine(repaired);
    return !isOn(repaired, tried.solution(tried.from(way)), held);
  }

  /** Two of the choices of different channels at a time. */
  private static List<List<Repairs.Repair>> combined(List<List<Repairs.Repair>> choices) {
    List<List<Repairs.Repair>> all = new ArrayList<>();
    for (int i = 0; i < choices.size(); i++) {
      for (List<Repairs.Repair> others : choices.subList(i + 1, choices.size())) {
        for (Repairs.Repair one : choices.get(i)) {
          others.stream().filter(o -> o != one).forEach(o -> all.add(List.of(one, o)));
        }
      }
    }
    return all;
  }

  private boolean helps(List<Repairs.Repair> repairs, List<StopEvent> way) {
    StopCircuit repaired = circuit;
    for (Repairs.Repair repair : repairs) {
      repaired = repair.change().apply(repaired);
    }
    return Starting.of(repaired).isPresent() && !isTorquePossible(repaired, way);
  }

  private static List<StopEvent> without(List<StopEvent> way, StopEvent event) {
    List<StopEvent> rest = new ArrayList<>(way);
    rest.remove(event);
    return rest;
  }

  private static boolean isTorquePossible(StopCircuit of, List<StopEvent> way) {
    StopMachine tried = new StopMachine(of);
    return tried.isTorquePossible(tried.from(way));
  }

  /** Channels that stay closed although the stop stops, with what is to blame; possibly empty. */
  List<StopVerdict.Weakness> weaknesses(List<StopEvent> start) {
    Set<StopVerdict.Weakness> found = new LinkedHashSet<>();
    StopState running = machine.from(start);
    for (String trigger : circuit.stop().triggers()) {
      List<StopEvent> way = new ArrayList<>(start);
      way.add(StopEvent.demand(circuit, trigger));
      StopState demanded = machine.after(running, StopEvent.demand(circuit, trigger));
      for (TerminalRef held : heldOn(demanded)) {
        List<String> blame = holding(held, way);
        String text =
            "%s stays on when %s is demanded%s"
                .formatted(
                    circuit.name(held),
                    circuit.name(trigger),
                    blame.isEmpty() ? "" : ": " + String.join(", ", blame));
        found.add(new StopVerdict.Weakness(held, text));
      }
    }
    return List.copyOf(found);
  }

  /** Whether every channel opens on a demand by every trigger. */
  boolean isSound(List<StopEvent> start) {
    StopState running = machine.from(start);
    return circuit.stop().triggers().stream()
        .map(t -> machine.after(running, StopEvent.demand(circuit, t)))
        .allMatch(demanded -> heldOn(demanded).isEmpty());
  }

  /** What has to open on a demand and did not. */
  private List<TerminalRef> heldOn(StopState demanded) {
    List<TerminalRef> ends = new ArrayList<>(circuit.stopping());
    for (PlacedDevice relay : circuit.relays()) {
      if (relay.id().equals(circuit.stop().relay())) {
        ends.addAll(StopTraits.all(relay, TerminalRole.SAFETY_INPUT));
      }
    }
    LineSolution solution = machine.solution(demanded);
    return ends.stream().filter(e -> isOn(circuit, solution, e)).toList();
  }

  private static boolean isOn(StopCircuit of, LineSolution solution, TerminalRef end) {
    boolean coil = of.terminal(end).filter(t -> t.role() == TerminalRole.COIL).isPresent();
    return coil ? solution.isEnergised(end.device()) : solution.isOn(end);
  }

  /** What, taken out, lets a terminal go off on the demand and still come on before it. */
  private List<String> holding(TerminalRef held, List<StopEvent> way) {
    List<String> blame = new ArrayList<>();
    List<StopEvent> before = way.subList(0, lastDemand(way));
    for (Repairs.Repair repair : removals) {
      StopCircuit repaired = repair.change().apply(circuit);
      StopMachine tried = new StopMachine(repaired);
      StopState started = tried.from(before);
      if (isOn(repaired, tried.solution(started), held)) {
        StopState then = tried.after(started, way.subList(lastDemand(way), way.size()));
        if (!isOn(repaired, tried.solution(then), held)) {
          blame.add(repair.fault());
        }
      }
    }
    return blame;
  }

  private static int lastDemand(List<StopEvent> way) {
    for (int i = way.size() - 1; i >= 0; i--) {
      if (way.get(i).kind() == StopEvent.Kind.DEMAND) {
        return i;
      }
    }
    return way.size();
  }
}
