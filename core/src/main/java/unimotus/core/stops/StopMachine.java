package unimotus.core.stops;

import java.util.List;
import unimotus.core.machine.StopEffect;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.WiringFault;

/**
 * How a stop circuit behaves: the safety relay, the light curtain and the drive react to what they
 * see until nothing moves any more. What they see comes from the solved circuit.
 *
 * <p>A safety relay starts only with both channels closed, its own contacts open before and its
 * loop closed (automatic) or closed and opened again (manual, the falling edge of the button); one
 * channel alone that opened has to be followed by the other before it starts again. All this is
 * common practice of two-channel relays.
 */
public final class StopMachine {
  private static final int MOST_REACTIONS = 12;

  private final Observer observer;
  private final StopCircuit circuit;

  /** A circuit with nothing wrong. */
  public StopMachine(StopCircuit circuit) {
    this(circuit, List.of());
  }

  /** A circuit with faults in it. */
  public StopMachine(StopCircuit circuit, List<WiringFault> faults) {
    this.circuit = circuit;
    this.observer = new Observer(circuit, faults);
  }

  /** The state after something has happened and everything has reacted. */
  public StopState after(StopState state, StopEvent event) {
    return settle(state.after(event));
  }

  /** The state after several things have happened, one after the other. */
  public StopState after(StopState state, List<StopEvent> events) {
    StopState at = state;
    for (StopEvent event : events) {
      at = after(at, event);
    }
    return at;
  }

  /** Power up with everything released, reset, and a run command: motion, where all is sound. */
  public StopState running() {
    StopState at = settle(StopState.COLD);
    at = after(at, StopEvent.reset(circuit));
    return after(at, StopEvent.RUN_ON);
  }

  /** Lets everything react to what it sees now. */
  StopState settle(StopState state) {
    StopState at = state;
    for (int i = 0; i < MOST_REACTIONS; i++) {
      StopState next = react(at);
      if (next.equals(at)) {
        return at;
      }
      at = next;
    }
    return at;
  }

  /** Voltages and currents in a state, as a meter would show them. */
  public LineSolution solution(StopState state) {
    return observer.solve(state);
  }

  /** A state as the line's circuit is commanded in it. */
  public CommandState command(StopState state) {
    return observer.command(state);
  }

  private StopState react(StopState state) {
    Observation seen = observer.observe(state);
    String drive = circuit.axis().drive().id();
    String relay = circuit.stop().relay();
    boolean curtainFailed =
        seen.failedTests().stream().anyMatch(d -> !d.equals(drive) && !d.equals(relay));
    return state.with(
        relay(state.relay(), seen, relay != null && seen.failedTests().contains(relay)),
        drive(state, seen, seen.failedTests().contains(drive)),
        state.powered() && (state.curtainLocked() || curtainFailed));
  }

  private StopState.Relay relay(StopState.Relay was, Observation seen, boolean testFailed) {
    if (!seen.relayPowered()) {
      return StopState.Relay.OFF;
    }
    boolean locked = was.locked() || testFailed;
    boolean closed = seen.allChannelsOn();
    boolean oneAlone = !closed && !seen.allChannelsOff();
    boolean differs = oneAlone && (was.on() || circuit.watchesDiscrepancy());
    boolean needsBoth = differs || (was.needsBothOff() && !seen.allChannelsOff());
    boolean mayStart = closed && !locked && !needsBoth && !observer.relayContactSticks();
    boolean start =
        circuit.isManualReset() ? was.loopWasClosed() && !seen.loopClosed() : seen.loopClosed();
    boolean on = was.on() ? closed && !locked : mayStart && start;
    return new StopState.Relay(on, locked, needsBoth, seen.loopClosed() && closed && !on);
  }

  private StopState.DriveMemory drive(StopState state, Observation seen, boolean testFailed) {
    StopState.DriveMemory was = state.drive();
    if (!state.powered()) {
      return new StopState.DriveMemory(
          false,
          false,
          !circuit.restartsAtPowerUp(),
          false,
          state.run() && (was.heldSinceStop() || was.moving()));
    }
    boolean compares = circuit.drive().isPulseTested() && seen.stopping().size() > 1;
    boolean fault =
        testFailed
            || (compares && seen.stoppingDiffers())
            || (was.fault() && seen.stopping().contains(true));
    boolean permitted = seen.permits() && !fault;
    boolean run = state.run() && seen.runInput();
    boolean renew = was.needsNewRun() || (was.moving() && !permitted && !restarts());
    if (!state.run()) {
      return new StopState.DriveMemory(permitted, false, false, fault, false);
    }
    boolean moving = permitted && run && !renew;
    boolean held = was.heldSinceStop() || (was.moving() && !moving);
    return new StopState.DriveMemory(permitted, moving, renew, fault, held);
  }

  /** Behind contactors the drive's own supply comes back, elsewhere only its permission. */
  private boolean restarts() {
    return circuit.stop().effect() == StopEffect.CONTACTORS
        ? circuit.restartsAtPowerUp()
        : circuit.restartsAfterStop();
  }
}
