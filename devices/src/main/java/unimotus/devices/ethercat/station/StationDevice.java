package unimotus.devices.ethercat.station;

/** What is behind a station: it takes outputs, shows inputs, and knows what to do without them. */
public interface StationDevice {

  /** Its objects, as mailbox and process data reach them. */
  DeviceObjects objects();

  /**
   * Outputs count from now on.
   *
   * @param watchdogSeconds after so long without outputs they are lost; 0 for never
   */
  default void operate(double watchdogSeconds) {}

  /** Outputs have come, and stand in its objects. */
  default void outputsCame() {}

  /** The controller took it out of operation: outputs count no longer. */
  default void release() {}

  /** The watchdog ran out: outputs are lost. */
  default void outputsLost() {}

  /** The code of the fault it has; 0 for none. */
  default int fault() {
    return 0;
  }

  /** A device that keeps its outputs and shows what is put into its inputs. */
  static StationDevice plain(DeviceObjects objects) {
    return () -> objects;
  }
}
