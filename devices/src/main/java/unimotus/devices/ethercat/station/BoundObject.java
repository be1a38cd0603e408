package unimotus.devices.ethercat.station;

import unimotus.devices.ethercat.mailbox.Aborted;

/** A value of an object that something lives behind. */
public interface BoundObject {

  /** Its bytes now, the least significant first. */
  byte[] read();

  /**
   * Takes what was written.
   *
   * @throws Aborted where it is not taken
   */
  void write(byte[] data) throws Aborted;
}
