package unimotus.devices.ethercat.master;

import java.io.IOException;
import unimotus.devices.ethercat.Place;

/**
 * The time a station waits for outputs, and what stood there before.
 *
 * @param before the bytes of the register
 * @param isSet whether something else stands there now
 */
record Watchdog(StationLink station, byte[] before, boolean isSet) {
  private static final int STEPS_PER_MILLISECOND = 10;

  /** The divider that makes steps of 0.1 ms of 25 MHz, less 2 (ETG.1000.4, from memory). */
  private static final int DIVIDER = 2498;

  /**
   * Lets a station wait for so long; 0 leaves what it has.
   *
   * @throws IOException where its register counts in other steps, or it does not answer
   */
  static Watchdog set(StationLink station, int milliseconds) throws IOException {
    byte[] before = station.read(Place.WATCHDOG, Short.BYTES);
    if (milliseconds == 0) {
      return new Watchdog(station, before, false);
    }
    int divider = station.word(Place.WATCHDOG_DIVIDER);
    if (divider != DIVIDER) {
      throw new Unexpected(
          "%s: its watchdog divider is %d, not %d: its time is not set"
              .formatted(station, divider, DIVIDER));
    }
    station.writeWord(Place.WATCHDOG, STEPS_PER_MILLISECOND * milliseconds);
    return new Watchdog(station, before, true);
  }

  /** What stood there before stands there again. */
  void restore() throws IOException {
    if (isSet) {
      station.write(Place.WATCHDOG, before);
    }
  }

  /** The same after something else went wrong, which is what is told. */
  void restoreAfter(IOException told) {
    try {
      restore();
    } catch (IOException gone) {
      told.addSuppressed(gone);
    }
  }
}
