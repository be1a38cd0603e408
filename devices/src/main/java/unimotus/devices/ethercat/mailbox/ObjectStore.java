package unimotus.devices.ethercat.mailbox;

import java.util.List;
import java.util.Optional;
import unimotus.core.esi.DictionaryObject;

/** The objects of a station, as its mailbox shows them. */
public interface ObjectStore {

  /** What it has, by number. */
  List<DictionaryObject> objects();

  /** The object of a number; empty where there is none. */
  Optional<DictionaryObject> object(int index);

  /**
   * The bytes of a value, the least significant first.
   *
   * @throws Aborted where there is none, or it cannot be read
   */
  byte[] read(int index, int subindex) throws Aborted;

  /**
   * Takes a value.
   *
   * @throws Aborted where there is none, it cannot be written, or not with these bytes
   */
  void write(int index, int subindex, byte[] data) throws Aborted;
}
