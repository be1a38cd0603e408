package unimotus.core.stops;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;

/**
 * What the devices of a stop circuit see of it at one moment, from the solution of the circuit.
 *
 * @param relays what each safety relay sees, by id
 * @param drives what each drive sees, by id
 * @param failedTests ids of devices whose test pulse did not come back as it should
 */
record Observation(
    Map<String, RelaySight> relays, Map<String, DriveSight> drives, Set<String> failedTests) {

  RelaySight relay(String id) {
    return Objects.requireNonNull(relays.get(id), id);
  }

  DriveSight drive(String id) {
    return Objects.requireNonNull(drives.get(id), id);
  }

  /**
   * What a safety relay sees.
   *
   * @param powered whether it has its 24 V
   * @param channels for each channel, whether it reads on
   * @param loopClosed whether the reset loop reads on
   */
  record RelaySight(boolean powered, List<Boolean> channels, boolean loopClosed) {

    boolean allChannelsOn() {
      return !channels.isEmpty() && !channels.contains(false);
    }

    boolean allChannelsOff() {
      return !channels.contains(true);
    }
  }

  /**
   * What a drive sees.
   *
   * @param fed whether mains or d.c. link reach it
   * @param joined whether its motor hangs on its output; always for a drive of another axis
   * @param onMains whether its motor hangs on the mains
   * @param permissions for each input that permits torque, whether it reads on
   * @param unhindered whether safe torque off permits as well, where other inputs are the channels
   * @param runInput whether a run input reads on; true where they are not part of the circuit
   * @param wrongFeed whether an input set for test pulses gets a steady voltage
   */
  record DriveSight(
      boolean fed,
      boolean joined,
      boolean onMains,
      List<Boolean> permissions,
      boolean unhindered,
      boolean runInput,
      boolean wrongFeed) {

    boolean permits() {
      return unhindered && !permissions.contains(false);
    }

    boolean differs() {
      return permissions.contains(true) && permissions.contains(false);
    }
  }
}
