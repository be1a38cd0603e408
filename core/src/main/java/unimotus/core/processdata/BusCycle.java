package unimotus.core.processdata;

import java.util.List;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.BusTiming;

/**
 * A bus cycle with what has to fit into it.
 *
 * @param timing when what happens
 * @param datagrams the bytes of each datagram, outputs and inputs of all stations among them
 * @param stations how many stations a frame passes
 * @param interpolationNs what a drive was told as its interpolation time, in ns; null where nothing
 *     was
 */
public record BusCycle(
    BusTiming timing, List<Integer> datagrams, int stations, @Nullable Long interpolationNs) {

  /** Takes a copy and refuses what is no count. */
  public BusCycle {
    datagrams = List.copyOf(datagrams);
    if (stations < 0) {
      throw new IllegalArgumentException("%d stations; expected 0 or more".formatted(stations));
    }
  }

  /** A cycle in which nothing but the frames is known. */
  public static BusCycle of(long cycleNs, List<Integer> datagrams, int stations) {
    return new BusCycle(BusTiming.of(cycleNs), datagrams, stations, null);
  }

  /** The time from one cycle to the next in ns. */
  public long cycleNs() {
    return timing.cycleNs();
  }

  /** This cycle with another timing. */
  public BusCycle at(BusTiming other) {
    return new BusCycle(other, datagrams, stations, interpolationNs);
  }

  /** This cycle with another interpolation time of a drive. */
  public BusCycle interpolating(@Nullable Long ns) {
    return new BusCycle(timing, datagrams, stations, ns);
  }
}
