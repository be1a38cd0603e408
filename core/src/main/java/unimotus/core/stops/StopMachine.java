package unimotus.core.stops;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.PlacedDevice;
import unimotus.core.wiring.WiringFault;

/**
 * How a stop circuit behaves: safety relays, light curtains and drives react to what they see until
 * nothing moves any more. What they see comes from the solved circuit.
 *
 * <p>A safety relay starts only with all its channels closed, its own contacts open before and its
 * loop closed (automatic) or closed and opened again (manual, the falling edge of the button); one
 * channel alone that opened has to be followed by the other before it starts again. All this is
 * common practice of two-channel relays.
 */
public final class StopMachine {
  /** From so many reactions on it is watched whether a state comes back: then it will for ever. */
  private static final int WATCHED_REACTIONS = 16;

  private final Observer observer;
  private final StopCircuit circuit;
  private final List<PlacedDevice> relays;
  private final List<PlacedDevice> drives;
  private final Set<String> reacting = new HashSet<>();
  private final Map<String, Traits> traits = new HashMap<>();
  private boolean restless;

  /** What a drive is set to. */
  private record Traits(boolean compares, boolean restartsAfterStop, boolean restartsAtPowerUp) {}

  /** A circuit with nothing wrong. */
  public StopMachine(StopCircuit circuit) {
    this(circuit, List.of());
  }

  /** A circuit with faults in it. */
  public StopMachine(StopCircuit circuit, List<WiringFault> faults) {
    this(circuit, faults, Doubt.READS_OFF);
  }

  StopMachine(StopCircuit circuit, List<WiringFault> faults, Doubt doubt) {
    this(circuit, faults, doubt, null);
  }

  /**
   * @param near a solution of much the same circuit, from which its own are found sooner; null for
   *     none
   */
  StopMachine(
      StopCircuit circuit, List<WiringFault> faults, Doubt doubt, @Nullable LineSolution near) {
    this.circuit = circuit;
    this.observer = new Observer(circuit, faults, doubt, near);
    this.relays = circuit.relays();
    this.drives = circuit.drives();
    relays.forEach(r -> reacting.add(r.id()));
    for (PlacedDevice drive : drives) {
      reacting.add(drive.id());
      traits.put(
          drive.id(),
          new Traits(
              StopTraits.comparesChannels(drive),
              StopTraits.restartsAfterStop(drive),
              StopTraits.restartsAtPowerUp(drive)));
    }
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

  /** The state that events lead to from power-up with everything at rest. */
  public StopState from(List<StopEvent> events) {
    return after(settle(StopState.COLD), events);
  }

  /** Lets everything react to what it sees now. */
  StopState settle(StopState state) {
    StopState at = state;
    Set<StopState> seen = new HashSet<>();
    for (int i = 0; i < WATCHED_REACTIONS || seen.add(at); i++) {
      StopState next = react(at);
      if (next.equals(at)) {
        return at;
      }
      at = next;
    }
    restless = true;
    return at;
  }

  /** Why what it does cannot be told: no solution, or no rest; null where it can. */
  @Nullable String puzzle() {
    String contradiction = observer.contradiction();
    return contradiction == null && restless
        ? "its relays and drives never come to rest"
        : contradiction;
  }

  /** Terminals between off and on, in words. */
  Set<String> unclear() {
    return observer.unclear();
  }

  /** What the devices see in a state. */
  Observation observe(StopState state) {
    return observer.observe(state);
  }

  /** Voltages and currents in a state, as a meter would show them. */
  public LineSolution solution(StopState state) {
    return observer.solve(state);
  }

  /** A state as the line's circuit is commanded in it. */
  public CommandState command(StopState state) {
    return observer.command(state);
  }

  /** Where the drive stands that the stop is for. */
  public StopState.DriveState drive(StopState state) {
    return state.drive(circuit.axis().drive().id());
  }

  /**
   * Whether the motor can be given torque. Without means made for safety it is the motion itself
   * that counts: the drive stays permitted.
   */
  boolean isTorquePossible(StopState state) {
    StopState.DriveState drive = drive(state);
    return circuit.stop().effect().isSafetyStop() ? drive.torquePossible() : drive.moving();
  }

  private StopState react(StopState state) {
    Observation seen = observer.observe(state);
    Map<String, StopState.Relay> nextRelays = new HashMap<>();
    for (PlacedDevice relay : relays) {
      nextRelays.put(relay.id(), relay(relay, state.relay(relay.id()), seen));
    }
    Map<String, StopState.DriveState> nextDrives = new HashMap<>();
    for (PlacedDevice drive : drives) {
      nextDrives.put(drive.id(), drive(drive, state, seen));
    }
    Set<String> locked = new HashSet<>();
    if (state.powered()) {
      locked.addAll(state.locked());
      seen.failedTests().stream().filter(d -> !reacting.contains(d)).forEach(locked::add);
    }
    return state.with(nextRelays, nextDrives, locked);
  }

  private StopState.Relay relay(PlacedDevice device, StopState.Relay was, Observation all) {
    Observation.RelaySight seen = all.relay(device.id());
    if (!seen.powered()) {
      return StopState.Relay.OFF;
    }
    boolean locked = was.locked() || all.failedTests().contains(device.id());
    boolean closed = seen.allChannelsOn();
    boolean oneAlone = !closed && !seen.allChannelsOff();
    boolean differs = oneAlone && (was.on() || StopTraits.watchesDiscrepancy(device));
    boolean needsBoth = differs || (was.needsBothOff() && !seen.allChannelsOff());
    boolean mayStart = closed && !locked && !needsBoth && !observer.contactSticks(device.id());
    boolean start =
        StopTraits.isManualReset(device)
            ? was.loopWasClosed() && !seen.loopClosed()
            : seen.loopClosed();
    boolean on = was.on() ? closed && !locked : mayStart && start;
    return new StopState.Relay(on, locked, needsBoth, seen.loopClosed() && closed && !on);
  }

  private StopState.DriveState drive(PlacedDevice device, StopState state, Observation all) {
    StopState.DriveState was = state.drive(device.id());
    Observation.DriveSight seen = all.drive(device.id());
    Traits set = Objects.requireNonNull(traits.get(device.id()), device::id);
    boolean onMains = state.powered() && seen.onMains();
    if (!state.powered() || !seen.fed()) {
      boolean held = state.run() && !onMains && (was.held() || was.moving());
      return new StopState.DriveState(
          false, false, false, seen.joined(), onMains, !set.restartsAtPowerUp(), false, held);
    }
    boolean fault =
        all.failedTests().contains(device.id())
            || seen.wrongFeed()
            || (set.compares() && seen.differs())
            || (was.fault() && seen.permissions().contains(true));
    boolean permitted = seen.permits() && !fault;
    // A command given while the drive may not run counts for nothing, as one that is held.
    boolean renew = state.run() && (was.needsNewRun() || (!permitted && !set.restartsAfterStop()));
    boolean running = state.run() && permitted && seen.runInput() && !renew;
    boolean moving = onMains || (running && seen.joined());
    boolean held = state.run() && (was.held() || (was.moving() && !moving));
    return new StopState.DriveState(
        true, permitted, running, seen.joined(), onMains, renew, fault, held);
  }

  /** Whether motion has come back although the run command was never renewed. */
  boolean hasComeBack(StopState state) {
    StopState.DriveState drive = drive(state);
    return drive.moving() && drive.held();
  }
}
