package unimotus.core.stops;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.PartSheet;
import unimotus.core.wiring.PlacedDevice;

/**
 * Everything a stop circuit can come to: one demand after the other is played in every order with
 * release, reset, power, run command, other switches and the program's outputs.
 *
 * <p>The search is breadth first, so that each way found is the shortest there is.
 */
final class StopSpace {
  /** Events in a row that are tried. */
  private static final int LONGEST = 9;

  /** States of one demand that are looked at before the search is given up. */
  private static final int MOST_STATES = 6000;

  /** So many other switches and outputs are combined freely; of more, one after the other. */
  private static final int MOST_COMBINED = 3;

  private final StopCircuit circuit;
  private final StopMachine machine;
  private @Nullable List<StopEvent> start;
  private @Nullable List<StopEvent> unstopped;
  private @Nullable List<StopEvent> resumption;
  private @Nullable List<StopEvent> modeStart;
  private boolean complete = true;

  private StopSpace(StopCircuit circuit, Doubt doubt) {
    this.circuit = circuit;
    this.machine = new StopMachine(circuit, List.of(), doubt);
  }

  /** Searches everything a circuit can come to. */
  static StopSpace of(StopCircuit circuit, Doubt doubt) {
    StopSpace space = new StopSpace(circuit, doubt);
    for (String trigger : circuit.stop().triggers()) {
      List<List<StopEvent>> extras = space.extras();
      for (List<StopEvent> extra : extras) {
        space.search(trigger, extra);
      }
    }
    return space;
  }

  /** From power-up to motion; empty where nothing leads there. */
  Optional<List<StopEvent>> start() {
    return Optional.ofNullable(start);
  }

  /** From power-up to a demand under which torque stays possible; empty where none is. */
  Optional<List<StopEvent>> unstopped() {
    return Optional.ofNullable(unstopped);
  }

  /** From power-up to motion that came back by itself; empty where it never does. */
  Optional<List<StopEvent>> resumption() {
    return Optional.ofNullable(resumption);
  }

  /** From power-up to motion that another switch brought back; empty where none does. */
  Optional<List<StopEvent>> modeStart() {
    return Optional.ofNullable(modeStart);
  }

  /** Why something cannot be told; empty where everything can. */
  Optional<String> puzzle() {
    if (machine.puzzle() != null) {
      return Optional.of(machine.puzzle());
    }
    return complete
        ? Optional.empty()
        : Optional.of("more than %d states have to be looked at".formatted(MOST_STATES));
  }

  /** Terminals that stood between off and on, in words. */
  Set<String> unclear() {
    return new TreeSet<>(machine.unclear());
  }

  /** The other switches and outputs that are played beside the demand. */
  private List<List<StopEvent>> extras() {
    List<StopEvent> all = new ArrayList<>();
    for (PlacedDevice other : circuit.switches()) {
      List<String> positions = ((PartSheet) other.sheet()).positions();
      positions.stream()
          .skip(1)
          .forEach(p -> all.add(new StopEvent(StopEvent.Kind.TURN, other.id(), p)));
    }
    for (TerminalRef output : circuit.programOutputs()) {
      all.add(new StopEvent(StopEvent.Kind.OUTPUT_ON, output.device(), output.terminal()));
    }
    if (all.size() <= MOST_COMBINED) {
      return List.of(all);
    }
    List<List<StopEvent>> single = new ArrayList<>();
    all.forEach(e -> single.add(List.of(e)));
    return single;
  }

  private void search(String trigger, List<StopEvent> extra) {
    StopState cold = machine.settle(StopState.COLD);
    Map<StopState, List<StopEvent>> ways = new HashMap<>(Map.of(cold, List.of()));
    Deque<StopState> open = new ArrayDeque<>(List.of(cold));
    while (!open.isEmpty()) {
      StopState at = open.removeFirst();
      List<StopEvent> way = Objects.requireNonNull(ways.get(at));
      judge(at, trigger, way);
      if (way.size() >= LONGEST) {
        continue;
      }
      for (StopEvent event : possible(at, trigger, extra)) {
        StopState next = machine.after(at, event);
        if (!ways.containsKey(next)) {
          List<StopEvent> longer = new ArrayList<>(way);
          longer.add(event);
          ways.put(next, longer);
          open.addLast(next);
        }
      }
      if (ways.size() > MOST_STATES) {
        complete = false;
        return;
      }
    }
  }

  private void judge(StopState at, String trigger, List<StopEvent> way) {
    boolean demanded = at.isTurned(trigger) || at.locked().contains(trigger);
    if (demanded && machine.isTorquePossible(at)) {
      unstopped = shorter(unstopped, way);
    }
    if (machine.drive(at).moving() && !demanded) {
      start = shorter(start, way);
    }
    if (machine.hasComeBack(at) && isMode(way)) {
      modeStart = shorter(modeStart, way);
    } else if (machine.hasComeBack(at)) {
      resumption = shorter(resumption, way);
    }
  }

  /** Whether it was a switch for something else than the stop that did it. */
  private static boolean isMode(List<StopEvent> way) {
    StopEvent.Kind last = way.get(way.size() - 1).kind();
    return last == StopEvent.Kind.TURN || last == StopEvent.Kind.TURN_BACK;
  }

  private static List<StopEvent> shorter(@Nullable List<StopEvent> known, List<StopEvent> other) {
    return known == null || other.size() < known.size() ? other : known;
  }

  private List<StopEvent> possible(StopState state, String trigger, List<StopEvent> extra) {
    List<StopEvent> events = new ArrayList<>();
    events.addAll(
        state.isTurned(trigger)
            ? List.of(StopEvent.release(trigger))
            : List.of(StopEvent.demand(circuit, trigger)));
    String button = circuit.stop().resetButton();
    if (button != null) {
      events.add(StopEvent.reset(circuit).get(state.isTurned(button) ? 1 : 0));
    }
    extra.forEach(e -> events.add(extra(state, e)));
    events.add(state.powered() ? StopEvent.POWER_OFF : StopEvent.POWER_ON);
    events.add(state.run() ? StopEvent.RUN_OFF : StopEvent.RUN_ON);
    return events;
  }

  private static StopEvent extra(StopState state, StopEvent event) {
    if (event.kind() == StopEvent.Kind.TURN) {
      boolean there = event.to().equals(state.positions().get(event.part()));
      return there ? new StopEvent(StopEvent.Kind.TURN_BACK, event.part(), "") : event;
    }
    boolean on = state.outputs().contains(new TerminalRef(event.part(), event.to()));
    return on ? new StopEvent(StopEvent.Kind.OUTPUT_OFF, event.part(), event.to()) : event;
  }
}
