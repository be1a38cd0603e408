package unimotus.core.stops;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import unimotus.core.machine.TerminalRef;
import unimotus.core.wiring.CommandState;

/**
 * Where a stop circuit and its drives stand at one moment.
 *
 * @param positions positions of the parts a hand has moved, by id; what is not named is at rest
 * @param outputs outputs a program has switched on, the run command apart
 * @param powered whether the line has power
 * @param run whether motion is commanded
 * @param relays the memory of each safety relay, by id; one that is not named is as after power-up
 * @param drives where each drive stands, by id; one that is not named is as after power-up
 * @param locked ids of light curtains that found a fault of their outputs
 */
public record StopState(
    Map<String, String> positions,
    Set<TerminalRef> outputs,
    boolean powered,
    boolean run,
    Map<String, Relay> relays,
    Map<String, DriveState> drives,
    Set<String> locked) {

  /**
   * What a safety relay remembers.
   *
   * @param on whether its safety contacts are closed
   * @param locked whether a test pulse did not come back as it should; until power is off
   * @param needsBothOff whether one channel alone has opened, so that both must before it starts
   * @param loopWasClosed whether the reset loop was closed with both channels closed
   */
  public record Relay(boolean on, boolean locked, boolean needsBothOff, boolean loopWasClosed) {
    /** As after power-up. */
    public static final Relay OFF = new Relay(false, false, false, false);
  }

  /**
   * Where a drive stands with its motor.
   *
   * @param fed whether it has power: mains, or a d.c. link
   * @param permitted whether it may give torque
   * @param running whether it gives its output
   * @param joined whether the motor hangs on that output
   * @param onMains whether the motor hangs on the mains past the drive
   * @param needsNewRun whether only a new run command starts it
   * @param fault whether it found a fault of its safety inputs
   * @param held whether the run command has been held since the motion was taken away
   */
  public record DriveState(
      boolean fed,
      boolean permitted,
      boolean running,
      boolean joined,
      boolean onMains,
      boolean needsNewRun,
      boolean fault,
      boolean held) {
    /** As after power-up. */
    public static final DriveState OFF =
        new DriveState(true, false, false, true, false, false, false, false);

    /** Whether the motor turns. */
    public boolean moving() {
      return onMains || (running && joined);
    }

    /** Whether the motor can be given torque. */
    public boolean torquePossible() {
      return onMains || (fed && permitted && joined);
    }

    /** What an engineer sees the drive show. */
    public String shows() {
      if (!fed) {
        return CommandState.NO_POWER;
      }
      if (fault) {
        return CommandState.FAULT;
      }
      if (!permitted) {
        return CommandState.NOT_PERMITTED;
      }
      return running ? CommandState.RUNNING : CommandState.READY;
    }
  }

  /** Everything at rest, power on, before anything was looked at. */
  public static final StopState COLD =
      new StopState(Map.of(), Set.of(), true, false, Map.of(), Map.of(), Set.of());

  /** Takes copies. */
  public StopState {
    positions = Map.copyOf(positions);
    outputs = Set.copyOf(outputs);
    relays = Map.copyOf(relays);
    drives = Map.copyOf(drives);
    locked = Set.copyOf(locked);
  }

  /** Whether a part is in another than its rest position. */
  public boolean isTurned(String part) {
    return positions.containsKey(part);
  }

  /** The memory of a safety relay. */
  public Relay relay(String id) {
    return relays.getOrDefault(id, Relay.OFF);
  }

  /** Where a drive stands. */
  public DriveState drive(String id) {
    return drives.getOrDefault(id, DriveState.OFF);
  }

  StopState after(StopEvent event) {
    return switch (event.kind()) {
      case DEMAND, PRESS_RESET, TURN -> turn(event.part(), event.to());
      case RELEASE, RELEASE_RESET, TURN_BACK -> turn(event.part(), "");
      case OUTPUT_ON -> output(new TerminalRef(event.part(), event.to()), true);
      case OUTPUT_OFF -> output(new TerminalRef(event.part(), event.to()), false);
      case POWER_OFF -> with(false, run);
      case POWER_ON -> with(true, run);
      case RUN_ON -> with(powered, true);
      case RUN_OFF -> with(powered, false);
    };
  }

  private StopState with(boolean power, boolean command) {
    return new StopState(positions, outputs, power, command, relays, drives, locked);
  }

  private StopState turn(String part, String to) {
    Map<String, String> next = new HashMap<>(positions);
    if (to.isEmpty()) {
      next.remove(part);
    } else {
      next.put(part, to);
    }
    return new StopState(next, outputs, powered, run, relays, drives, locked);
  }

  private StopState output(TerminalRef output, boolean on) {
    Set<TerminalRef> next = new HashSet<>(outputs);
    if (on) {
      next.add(output);
    } else {
      next.remove(output);
    }
    return new StopState(positions, next, powered, run, relays, drives, locked);
  }

  StopState with(
      Map<String, Relay> nextRelays, Map<String, DriveState> nextDrives, Set<String> nextLocked) {
    return new StopState(positions, outputs, powered, run, nextRelays, nextDrives, nextLocked);
  }
}
