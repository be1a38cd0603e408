package unimotus.core.sheet;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import unimotus.core.esi.DescriptionCatalogue;

/** The sheets that are known, by id, and the descriptions of stations. Immutable. */
public final class SheetCatalogue {
  private final Map<String, DeviceSheet> sheets = new LinkedHashMap<>();
  private final Supplier<DescriptionCatalogue> descriptions;

  /** Holds the given sheets in their order, and no description of a station. */
  public SheetCatalogue(Collection<? extends DeviceSheet> given) {
    this(given, () -> DescriptionCatalogue.NONE);
  }

  /**
   * Holds the given sheets in their order.
   *
   * @param descriptions gives what stations of a process-data fieldbus are looked up in, the same
   *     each time; asked only where there are stations
   * @throws IllegalArgumentException where two sheets have the same id
   */
  public SheetCatalogue(
      Collection<? extends DeviceSheet> given, Supplier<DescriptionCatalogue> descriptions) {
    this.descriptions = descriptions;
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

  /** What stations of a process-data fieldbus are looked up in. */
  public DescriptionCatalogue descriptions() {
    return descriptions.get();
  }
}
