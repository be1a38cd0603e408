package unimotus.core.stops;

import java.util.List;

/**
 * What the devices of a stop circuit see of it at one moment, from the solution of the circuit.
 *
 * @param relayPowered whether the safety relay has its 24 V
 * @param channels for each channel of the safety relay, whether it reads on
 * @param loopClosed whether the reset loop reads on
 * @param stopping for each terminal the stop has to open, whether it reads on or is pulled in
 * @param runInput whether the drive's run input reads on; true where it is not part of the circuit
 * @param failedTests ids of devices whose test pulse did not come back as it should
 */
record Observation(
    boolean relayPowered,
    List<Boolean> channels,
    boolean loopClosed,
    List<Boolean> stopping,
    boolean runInput,
    List<String> failedTests) {

  boolean allChannelsOn() {
    return !channels.isEmpty() && !channels.contains(false);
  }

  boolean allChannelsOff() {
    return !channels.contains(true);
  }

  boolean permits() {
    return !stopping.isEmpty() && !stopping.contains(false);
  }

  boolean stoppingDiffers() {
    return stopping.contains(true) && stopping.contains(false);
  }
}
