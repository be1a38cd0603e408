package unimotus.core.processdata;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A bus cycle with what has to fit into it. Times in ns.
 *
 * @param cycleNs the time from one cycle to the next
 * @param datagrams the bytes of each datagram, outputs and inputs of all stations among them
 * @param stations how many stations a frame passes
 * @param forwardNs what a station delays a frame, there and back; about 1 µs (0.6 to 1.2, to be
 *     measured)
 * @param cableMetres the length of all cables together
 * @param copyNs what the controller takes to copy its variables
 * @param deviceNs what the slowest device takes from the frame to its loop
 * @param loopNs the period of the drive's position loop; null where it is not known
 * @param interpolationNs what the drive was told as its interpolation time; null where nothing was
 * @param watchdogNs after what time without a frame a device stops; null where it never does
 * @param shiftNs by how much the synchronising signal is later than the start of the frame; null
 *     where there is none
 */
@RecordBuilder
public record BusCycle(
    long cycleNs,
    List<Integer> datagrams,
    int stations,
    long forwardNs,
    double cableMetres,
    long copyNs,
    long deviceNs,
    @Nullable Long loopNs,
    @Nullable Long interpolationNs,
    @Nullable Long watchdogNs,
    @Nullable Long shiftNs)
    implements BusCycleBuilder.With {
  /** There and back through a station (common practice). */
  public static final long USUAL_FORWARD_NS = 1000;

  /** Takes a copy and refuses what is no time. */
  public BusCycle {
    datagrams = List.copyOf(datagrams);
    if (cycleNs <= 0) {
      throw new IllegalArgumentException("a cycle of %d ns must be above 0".formatted(cycleNs));
    }
    if (stations < 0 || forwardNs < 0 || cableMetres < 0 || copyNs < 0 || deviceNs < 0) {
      throw new IllegalArgumentException("stations, lengths and times must not be below 0");
    }
  }

  /** A cycle in which nothing but the frames is known. */
  public static BusCycle of(long cycleNs, List<Integer> datagrams, int stations) {
    return new BusCycle(
        cycleNs, datagrams, stations, USUAL_FORWARD_NS, 0, 0, 0, null, null, null, null);
  }
}
