package unimotus.workbench.live;

import unimotus.core.value.PlacedValue;
import unimotus.devices.connection.DriveConnection;
import unimotus.devices.connection.Gate;
import unimotus.devices.connection.NotDone;

/** Writes a value, counts it as written from the moment it goes out, and logs it. */
final class Writer {
  private final DriveConnection connection;
  private final Arming arming;
  private final Written written;

  Writer(DriveConnection connection, Arming arming, Written written) {
    this.connection = connection;
    this.arming = arming;
    this.written = written;
  }

  /**
   * Writes where a gate lets it out.
   *
   * @throws NotDone where it does not fit, is kept back, or the drive refuses
   */
  void write(PlacedValue value, double number, Gate gate) throws NotDone {
    String words =
        connection.write(
            value,
            number,
            send ->
                gate.pass(
                    () -> {
                      written.sent(value, number);
                      send.now();
                    }));
    arming.note("%s = %s".formatted(value.value().name(), words));
  }

  /**
   * Writes what takes a command back.
   *
   * @throws NotDone where it does not fit, or the drive refuses or does not answer
   */
  void takeBack(PlacedValue value, double number) throws NotDone {
    written.sent(value, number);
    String words = connection.takeBack(value, number);
    arming.note("%s = %s".formatted(value.value().name(), words));
  }
}
