package unimotus.core.stops;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.StopApproach;
import unimotus.core.machine.StopEffect;

/**
 * How long a stop takes: as it should, and, where only the time is watched, with a drive that fails
 * to ramp down.
 *
 * @param sound the stop as it should be
 * @param unwatched the stop without braking; null where the stop has no ramp to fail
 */
public record StopTimes(StopTimeline sound, @Nullable StopTimeline unwatched) {

  /** The times of a stop from the fastest speed there is. */
  public static StopTimes of(StopCircuit circuit) {
    boolean timed = circuit.stop().effect() == StopEffect.SS1_T;
    return new StopTimes(
        StopTimeline.fromMaximum(circuit), timed ? StopTimeline.withoutBraking(circuit) : null);
  }

  /** The stop without braking; empty where the stop has no ramp to fail. */
  public Optional<StopTimeline> fault() {
    return Optional.ofNullable(unwatched);
  }

  /** The longest the stop may take to standstill, in seconds; infinity where it never comes. */
  public double longestSeconds() {
    return Math.max(
        sound.standstillSeconds(), fault().map(StopTimeline::standstillSeconds).orElse(0.0));
  }

  /**
   * The safety distance for the longest of the times, in millimetres.
   *
   * @throws IllegalArgumentException where there is none
   */
  double neededMillimetres(StopApproach approach) {
    return SafetyDistance.needed(longestSeconds(), approach).distanceMillimetres();
  }
}
