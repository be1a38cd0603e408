package unimotus.core.esi;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A process data object: a group of entries that is in the image as a whole or not at all.
 *
 * @param index its object's number, such as 0x1600; of a module, the number in slot 0
 * @param movesWithSlot whether the number grows with the slot
 * @param name its name
 * @param direction whether the controller writes or reads it
 * @param fixed whether its entries cannot be changed
 * @param mandatory whether it cannot be left out
 * @param syncManager the sync manager it is in as delivered; null where it is not in the image then
 * @param excludes objects that cannot be in the image together with it
 * @param entries what is in it, in order
 */
@RecordBuilder
public record Pdo(
    int index,
    boolean movesWithSlot,
    String name,
    Direction direction,
    boolean fixed,
    boolean mandatory,
    @Nullable Integer syncManager,
    List<Integer> excludes,
    List<PdoEntry> entries)
    implements PdoBuilder.With {

  /** Takes copies. */
  public Pdo {
    excludes = List.copyOf(excludes);
    entries = List.copyOf(entries);
  }

  /** How many bits it takes. */
  public int bitLength() {
    return entries.stream().mapToInt(PdoEntry::bitLength).sum();
  }
}
