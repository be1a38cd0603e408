package unimotus.devices.connection;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import unimotus.core.value.HeldValue;
import unimotus.core.value.PlacedValue;

/**
 * A way to the values of one drive. It joins with the first request; one thread asks at a time. Its
 * text says where the drive is.
 */
public interface DriveConnection extends AutoCloseable {

  /** The values it knows of, in the order they are shown. */
  List<PlacedValue> values();

  /**
   * Which of some values are read together, in one request each.
   *
   * @param wanted values of this connection; those that cannot be read are left out
   */
  List<List<PlacedValue>> together(List<? extends PlacedValue> wanted);

  /**
   * Reads values that are read together.
   *
   * @param refusals gets a line more where the drive refuses; nothing is read then
   * @throws NotDone where the drive does not answer, or answers otherwise than asked
   */
  Map<PlacedValue, HeldValue> read(List<PlacedValue> together, List<String> refusals)
      throws NotDone;

  /**
   * Writes a value where a gate lets it out.
   *
   * @param number in the unit of the value
   * @return what went out, as in a log
   * @throws NotDone where it does not fit, the gate keeps it back, or the drive refuses
   */
  String write(PlacedValue value, double number, Gate gate) throws NotDone;

  /**
   * Writes what takes a command back: a stop word, a reference of nothing. It goes out whatever was
   * lost before.
   *
   * @param number in the unit of the value
   * @return what went out, as in a log
   * @throws NotDone where it does not fit, or the drive refuses or does not answer
   */
  default String takeBack(PlacedValue value, double number) throws NotDone {
    return write(value, number, Gate.OPEN);
  }

  /**
   * Who the device says it is: maker, product, version, as far as it tells.
   *
   * @throws NotDone where it does not tell
   */
  List<String> identity() throws NotDone;

  /** How the connection stands, in a few words; empty where there is nothing to tell. */
  default String standing() {
    return "";
  }

  /** Why nothing is commanded over it, in a sentence; empty where something may be. */
  default Optional<String> readOnly() {
    return Optional.empty();
  }

  /**
   * Another connection to the same drive, which does not wait for what is under way on this one;
   * empty where the way carries one only.
   */
  Optional<DriveConnection> beside();

  @Override
  void close() throws IOException;
}
