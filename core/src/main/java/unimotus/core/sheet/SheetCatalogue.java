package unimotus.core.sheet;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The sheets that are known, by id. Immutable. */
public final class SheetCatalogue {
  private final Map<String, DeviceSheet> sheets = new LinkedHashMap<>();

  /**
   * Holds the given sheets in their order.
   *
   * @throws IllegalArgumentException where two sheets have the same id
   */
  public SheetCatalogue(Collection<? extends DeviceSheet> given) {
    for (DeviceSheet sheet : given) {
      if (sheets.putIfAbsent(sheet.id(), sheet) != null) {
        throw new IllegalArgumentException("two device sheets have the id '" + sheet.id() + "'");
      }
    }
  }

  /** The sheet with this id; empty where none has it. */
  public Optional<DeviceSheet> find(String id) {
    return Optional.ofNullable(sheets.get(id));
  }

  /** The sheet of {@code kind} with this id; empty where none of that kind has it. */
  public <T extends DeviceSheet> Optional<T> find(Class<T> kind, String id) {
    return Optional.ofNullable(sheets.get(id)).filter(kind::isInstance).map(kind::cast);
  }

  /** All sheets of {@code kind}, in order; possibly empty. */
  public <T extends DeviceSheet> List<T> all(Class<T> kind) {
    return sheets.values().stream().filter(kind::isInstance).map(kind::cast).toList();
  }
}
