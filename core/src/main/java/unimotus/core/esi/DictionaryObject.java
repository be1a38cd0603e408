package unimotus.core.esi;

import java.util.List;
import java.util.Optional;

/**
 * An object of a device.
 *
 * @param index its number; of a module, the number in slot 0
 * @param movesWithSlot whether the number grows with the slot
 * @param name its name
 * @param parts its parts, the plain object as part 0
 */
public record DictionaryObject(
    int index, boolean movesWithSlot, String name, List<ObjectPart> parts) {

  /** Takes a copy. */
  public DictionaryObject {
    parts = List.copyOf(parts);
  }

  /** The part of this number; empty where the object has none. */
  public Optional<ObjectPart> part(int subindex) {
    return parts.stream().filter(p -> p.subindex() == subindex).findFirst();
  }
}
