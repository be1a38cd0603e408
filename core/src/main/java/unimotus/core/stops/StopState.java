package unimotus.core.stops;

import java.util.HashSet;
import java.util.Set;

/**
 * Where a stop circuit and its drive stand at one moment.
 *
 * @param turned ids of the parts that are in their second position: stops demanded, reset pressed
 * @param powered whether the line has power
 * @param run whether the controller commands motion
 * @param relay the memory of the safety relay
 * @param drive the memory of the drive
 * @param curtainLocked whether a light curtain has found a fault of its outputs
 */
public record StopState(
    Set<String> turned,
    boolean powered,
    boolean run,
    Relay relay,
    DriveMemory drive,
    boolean curtainLocked) {

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
   * What a drive remembers.
   *
   * @param permitted whether torque is possible
   * @param moving whether it turns the motor
   * @param needsNewRun whether only a new run command starts it
   * @param fault whether it found a fault of its safety inputs
   * @param heldSinceStop whether the run command has been held since motion was taken away
   */
  public record DriveMemory(
      boolean permitted,
      boolean moving,
      boolean needsNewRun,
      boolean fault,
      boolean heldSinceStop) {
    /** As after power-up. */
    public static final DriveMemory OFF = new DriveMemory(false, false, false, false, false);
  }

  /** Everything at rest, power on, before anything was looked at. */
  public static final StopState COLD =
      new StopState(Set.of(), true, false, Relay.OFF, DriveMemory.OFF, false);

  /** Takes a copy. */
  public StopState {
    turned = Set.copyOf(turned);
  }

  /** Whether a part is in its second position. */
  public boolean isTurned(String part) {
    return turned.contains(part);
  }

  StopState after(StopEvent event) {
    return switch (event.kind()) {
      case DEMAND, PRESS_RESET -> turn(event.part(), true);
      case RELEASE, RELEASE_RESET -> turn(event.part(), false);
      case POWER_OFF -> new StopState(turned, false, run, relay, drive, curtainLocked);
      case POWER_ON -> new StopState(turned, true, run, relay, drive, curtainLocked);
      case RUN_ON -> new StopState(turned, powered, true, relay, drive, curtainLocked);
      case RUN_OFF -> new StopState(turned, powered, false, relay, drive, curtainLocked);
    };
  }

  private StopState turn(String part, boolean to) {
    Set<String> next = new HashSet<>(turned);
    if (to) {
      next.add(part);
    } else {
      next.remove(part);
    }
    return new StopState(next, powered, run, relay, drive, curtainLocked);
  }

  StopState with(Relay nextRelay, DriveMemory nextDrive, boolean locked) {
    return new StopState(turned, powered, run, nextRelay, nextDrive, locked);
  }

  /** What an engineer sees the drive show. */
  public String driveShows() {
    if (!powered) {
      return "no power";
    }
    if (drive.fault()) {
      return "fault";
    }
    if (!drive.permitted()) {
      return "not permitted";
    }
    return drive.moving() ? "running" : "ready";
  }
}
