package unimotus.core.processdata;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.esi.Direction;
import unimotus.core.esi.Pdo;
import unimotus.core.esi.PdoEntry;

/**
 * What stands where in the process data of a station. Entries follow each other bit by bit; nothing
 * is aligned but by padding (ETG.1000.6, from memory).
 *
 * @param outputs from the controller to the device
 * @param inputs from the device to the controller
 */
public record ProcessImage(List<ImagePlace> outputs, List<ImagePlace> inputs) {

  /** Takes copies. */
  public ProcessImage {
    outputs = List.copyOf(outputs);
    inputs = List.copyOf(inputs);
  }

  /** The image of a station. */
  public static ProcessImage of(StationSetup station) {
    return new ProcessImage(
        laid(station.assigned(Direction.OUTPUTS)), laid(station.assigned(Direction.INPUTS)));
  }

  private static List<ImagePlace> laid(List<Pdo> pdos) {
    List<ImagePlace> places = new ArrayList<>();
    int bit = 0;
    for (Pdo pdo : pdos) {
      for (PdoEntry entry : pdo.entries()) {
        places.add(new ImagePlace(pdo.index(), entry, bit));
        bit += entry.bitLength();
      }
    }
    return places;
  }

  /** One side of it. */
  public List<ImagePlace> side(Direction direction) {
    return direction == Direction.OUTPUTS ? outputs : inputs;
  }

  /** How many bits a side takes. */
  public int bits(Direction direction) {
    List<ImagePlace> side = side(direction);
    return side.isEmpty() ? 0 : side.get(side.size() - 1).end();
  }

  /** How many bytes a side takes, the last one filled up. */
  public int bytes(Direction direction) {
    return (bits(direction) + Byte.SIZE - 1) / Byte.SIZE;
  }
}
