package unimotus.core.machine;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * When what happens in a cycle of a process-data fieldbus. Times in ns.
 *
 * @param cycleNs from one cycle to the next, over 0
 * @param forwardNs what a station delays a frame, there and back; about 1 µs (0.6 to 1.2, to be
 *     measured)
 * @param cableMetres the length of all cables together
 * @param copyNs what the controller takes to copy its variables
 * @param deviceNs what the slowest device takes from the frame to its loop
 * @param loopNs the period of the drives' position loop; null where it is not known
 * @param watchdogNs after what time without a frame a device stops; null where that is not known
 * @param shiftNs by how much the synchronising signal is later than the start of the frame; null
 *     where there is none
 */
@RecordBuilder
public record BusTiming(
    long cycleNs,
    long forwardNs,
    double cableMetres,
    long copyNs,
    long deviceNs,
    @Nullable Long loopNs,
    @Nullable Long watchdogNs,
    @Nullable Long shiftNs)
    implements BusTimingBuilder.With {
  /** There and back through a station (common practice). */
  public static final long USUAL_FORWARD_NS = 1000;

  private static final long SECOND = 1_000_000_000;
  private static final double MOST_METRES = 10_000;

  /** Refuses what is no time or no length. */
  public BusTiming {
    within("cycle", cycleNs, 1);
    within("forwarding", forwardNs, 0);
    within("copy", copyNs, 0);
    within("device", deviceNs, 0);
    within("loop", Optional.ofNullable(loopNs).orElse(1L), 1);
    within("watchdog", Optional.ofNullable(watchdogNs).orElse(1L), 1);
    within("shift", Optional.ofNullable(shiftNs).orElse(0L), 0);
    if (!(cableMetres >= 0 && cableMetres <= MOST_METRES)) {
      throw new IllegalArgumentException(
          "bus timing: cables of %s m; expected 0 to %s m".formatted(cableMetres, MOST_METRES));
    }
  }

  private static void within(String what, long ns, long least) {
    if (ns < least || ns > SECOND) {
      throw new IllegalArgumentException(
          "bus timing: %s of %d ns; expected %d to %d ns".formatted(what, ns, least, SECOND));
    }
  }

  /** This timing with another period of the drives' loop; null where it is not known. */
  public BusTiming looping(@Nullable Long ns) {
    return with().loopNs(ns).build();
  }

  /** This timing with another watchdog of the devices; null where it is not known. */
  public BusTiming watched(@Nullable Long ns) {
    return with().watchdogNs(ns).build();
  }

  /** This timing with another shift of the synchronising signal; null where there is none. */
  public BusTiming shifted(@Nullable Long ns) {
    return with().shiftNs(ns).build();
  }

  /** A cycle of which nothing else is known. */
  public static BusTiming of(long cycleNs) {
    return new BusTiming(cycleNs, USUAL_FORWARD_NS, 0, 0, 0, null, null, null);
  }
}
