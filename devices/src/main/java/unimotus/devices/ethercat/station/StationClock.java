package unimotus.devices.ethercat.station;

import java.util.function.LongSupplier;
import unimotus.devices.ethercat.Place;

/** The clock of a station: its own time, the time of the bus, and when telegrams pass. */
final class StationClock {
  /** How long a telegram takes through a station and the cable behind it, in ns. */
  static final int HOP_NANOS = 400;

  private final StationMemory memory;
  private final LongSupplier nanos;
  private final long ahead;

  /**
   * A clock.
   *
   * @param ahead by how much it is ahead of the others, in ns; no two clocks are alike
   */
  StationClock(StationMemory memory, LongSupplier nanos, long ahead) {
    this.memory = memory;
    this.nanos = nanos;
    this.ahead = ahead;
  }

  private long own() {
    return nanos.getAsLong() + ahead;
  }

  private long system() {
    return own() + memory.quadWord(Place.TIME_OFFSET);
  }

  /** Shows the time of the bus in its register. */
  void show() {
    memory.putQuadWord(Place.SYSTEM_TIME, system());
  }

  /**
   * A telegram that asks for it passes: each port notes when.
   *
   * @param position place on the wire, from 0
   * @param behind how many stations follow
   */
  void note(int position, int behind) {
    long came = own() + (long) HOP_NANOS * position;
    memory.putDoubleWord(Place.PORT_TIMES, (int) came);
    memory.putDoubleWord(
        Place.PORT_TIMES + 4, behind > 0 ? (int) (came + 2L * HOP_NANOS * behind) : 0);
    memory.putQuadWord(Place.RECEIVE_TIME, came);
  }

  /** The time of the reference came: notes by how much it is off. */
  void compare(long reference) {
    long off = system() - reference - Integer.toUnsignedLong(memory.doubleWord(Place.TIME_DELAY));
    // The sign stands in the highest bit, beside the amount.
    int amount = (int) Math.min(Math.abs(off), Integer.MAX_VALUE);
    memory.putDoubleWord(Place.TIME_DIFFERENCE, off < 0 ? amount | Integer.MIN_VALUE : amount);
  }
}
