package unimotus.devices.ethercat.station;

import java.util.Optional;
import unimotus.core.esi.Direction;
import unimotus.core.esi.ObjectPart;
import unimotus.core.processdata.ObjectAbort;
import unimotus.core.processdata.StationState;
import unimotus.devices.ethercat.mailbox.Aborted;

/**
 * What may be written into the lists by which a station is told its image: in PRE-OP only, while a
 * list is closed, and nothing the device does not have (CiA 301; ETG.1000.6, from memory).
 */
final class MappingRules {
  /** Numbers of plain types stand for gaps of their length. */
  static final int LAST_DUMMY = 0x1F;

  private static final int FIRST_MAPPING = 0x1600;
  private static final int LAST_MAPPING = 0x1BFF;

  private MappingRules() {}

  /** Whether an object is one of these lists. */
  static boolean isMapping(int index) {
    return index == DeviceObjects.ASSIGN_OUTPUTS
        || index == DeviceObjects.ASSIGN_INPUTS
        || (index >= FIRST_MAPPING && index <= LAST_MAPPING);
  }

  /**
   * Looks at a write to such a list.
   *
   * @throws Aborted where it cannot be taken
   */
  static void check(DeviceObjects objects, StationState state, int index, int subindex, long value)
      throws Aborted {
    if (state != StationState.PRE_OP) {
      throw new Aborted(ObjectAbort.WRONG_STATE);
    }
    if (subindex == 0) {
      return;
    }
    if (objects.count(index) != 0) {
      throw new Aborted(ObjectAbort.NOT_CLOSED);
    }
    if (index >= DeviceObjects.ASSIGN_OUTPUTS) {
      assigned(objects, index, value);
    } else if (value >>> Short.SIZE > LAST_DUMMY) {
      mapped(objects, value);
    }
  }

  private static void assigned(DeviceObjects objects, int index, long value) throws Aborted {
    Direction direction =
        index == DeviceObjects.ASSIGN_OUTPUTS ? Direction.OUTPUTS : Direction.INPUTS;
    boolean isThere =
        objects.setup().available().stream()
            .anyMatch(p -> p.index() == value && p.direction() == direction);
    if (!isThere) {
      throw new Aborted(ObjectAbort.RANGE);
    }
  }

  private static void mapped(DeviceObjects objects, long value) throws Aborted {
    Optional<ObjectPart> part =
        objects
            .object((int) (value >>> Short.SIZE))
            .flatMap(o -> o.part((int) (value >>> Byte.SIZE & 0xFF)));
    if (part.isEmpty() || !part.get().mappable()) {
      throw new Aborted(part.isEmpty() ? ObjectAbort.NO_OBJECT : ObjectAbort.NOT_MAPPABLE);
    }
  }
}
