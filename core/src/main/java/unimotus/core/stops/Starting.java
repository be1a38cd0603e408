package unimotus.core.stops;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** How a stop circuit is brought to motion in the usual way: power on, reset, run command. */
final class Starting {
  private Starting() {}

  /** The running state; empty where the usual way does not lead there. */
  static Optional<StopState> of(StopCircuit circuit) {
    StopMachine machine = new StopMachine(circuit);
    return Optional.of(machine.from(usual(circuit))).filter(s -> machine.drive(s).moving());
  }

  /** Reset where there is a button, then the run command. */
  static List<StopEvent> usual(StopCircuit circuit) {
    List<StopEvent> events = new ArrayList<>(StopEvent.reset(circuit));
    events.add(StopEvent.RUN_ON);
    return events;
  }
}
