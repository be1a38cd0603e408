package unimotus.core.stops;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Looks for a way in which motion comes back after a stop or a loss of power without a new run
 * command, by exploring every order of events. Releasing a stop must not start the motor (IEC
 * 60204-1, ISO 13850).
 */
public final class Resumption {
  /** Events in a row that are tried. */
  private static final int LONGEST = 7;

  /** States that are looked at before the search is given up. */
  private static final int MOST_STATES = 4000;

  private Resumption() {}

  /**
   * The shortest way in which motion comes back by itself while the run command is held.
   *
   * @return the events from the running state; empty where there is none
   */
  public static Optional<List<StopEvent>> shortest(StopCircuit circuit) {
    StopMachine machine = new StopMachine(circuit);
    StopState start = machine.running();
    Map<StopState, List<StopEvent>> ways = new HashMap<>(Map.of(start, List.of()));
    Deque<StopState> open = new ArrayDeque<>(List.of(start));
    while (!open.isEmpty() && ways.size() < MOST_STATES) {
      StopState at = open.removeFirst();
      List<StopEvent> way = ways.get(at);
      for (StopEvent event : way.size() < LONGEST ? possible(circuit, at) : List.<StopEvent>of()) {
        StopState next = machine.after(at, event);
        List<StopEvent> longer = new ArrayList<>(way);
        longer.add(event);
        if (next.drive().moving() && next.drive().heldSinceStop()) {
          return Optional.of(longer);
        }
        if (ways.putIfAbsent(next, longer) == null) {
          open.addLast(next);
        }
      }
    }
    return Optional.empty();
  }

  private static List<StopEvent> possible(StopCircuit circuit, StopState state) {
    List<StopEvent> events = new ArrayList<>();
    for (String trigger : circuit.stop().triggers()) {
      events.add(state.isTurned(trigger) ? StopEvent.release(trigger) : StopEvent.demand(trigger));
    }
    String button = circuit.stop().resetButton();
    if (button != null) {
      events.add(
          new StopEvent(
              state.isTurned(button) ? StopEvent.Kind.RELEASE_RESET : StopEvent.Kind.PRESS_RESET,
              button));
    }
    events.add(state.powered() ? StopEvent.POWER_OFF : StopEvent.POWER_ON);
    return events;
  }
}
