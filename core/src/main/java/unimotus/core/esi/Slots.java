package unimotus.core.esi;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Where modules can stand.
 *
 * @param most how many at most
 * @param pdoStep by how much the numbers of process data objects grow from slot to slot
 * @param indexStep by how much the numbers of objects grow from slot to slot
 * @param slots the slots, from 0
 */
public record Slots(int most, int pdoStep, int indexStep, List<Slot> slots) {

  /**
   * One slot.
   *
   * @param name its name
   * @param least 1 where a module must stand in it
   * @param most 1, or what the description says of a slot that stands once
   * @param delivered the module as delivered; null where it is empty then
   * @param allowed the modules that fit
   */
  public record Slot(
      String name, int least, int most, @Nullable Long delivered, List<Long> allowed) {
    /** Takes a copy. */
    public Slot {
      allowed = List.copyOf(allowed);
    }
  }

  /** Takes a copy. */
  public Slots {
    slots = List.copyOf(slots);
  }
}
