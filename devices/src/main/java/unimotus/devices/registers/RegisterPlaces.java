package unimotus.devices.registers;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.devices.modbus.ExceptionCode;
import unimotus.devices.modbus.Unit.Refused;

/** The places of a register map: which entries a request touches. */
final class RegisterPlaces {
  /** The entry at each address that belongs to one; the first where several do. */
  private final Map<RegisterTable, RegisterEntry[]> places = new EnumMap<>(RegisterTable.class);

  RegisterPlaces(RegisterMap map) {
    for (RegisterTable table : RegisterTable.values()) {
      int end =
          map.entries().stream()
              .filter(e -> e.table() == table)
              .mapToInt(RegisterEntry::end)
              .max()
              .orElse(0);
      places.put(table, new RegisterEntry[end]);
    }
    for (RegisterEntry entry : map.entries()) {
      RegisterEntry[] table = places(entry.table());
      for (int at = entry.address(); at < entry.end(); at++) {
        table[at] = table[at] == null ? entry : table[at];
      }
    }
  }

  private RegisterEntry[] places(RegisterTable table) {
    return Objects.requireNonNull(places.get(table), table::name);
  }

  private RegisterEntry at(RegisterTable table, int address) throws Refused {
    RegisterEntry[] entries = places(table);
    RegisterEntry entry = address < entries.length ? entries[address] : null;
    if (entry == null) {
      throw new Refused(ExceptionCode.ILLEGAL_DATA_ADDRESS);
    }
    return entry;
  }

  /**
   * Neighbouring places; a request may begin and end within an entry.
   *
   * @param now gives the words of an entry
   * @throws Refused where a place belongs to none
   */
  List<Integer> read(
      RegisterTable table, int address, int count, Function<RegisterEntry, int[]> now)
      throws Refused {
    List<Integer> values = new ArrayList<>();
    while (values.size() < count) {
      RegisterEntry entry = at(table, address + values.size());
      int[] words = now.apply(entry);
      int skipped = address + values.size() - entry.address();
      for (int i = skipped; i < words.length && values.size() < count; i++) {
        values.add(words[i]);
      }
    }
    return values;
  }

  /**
   * The entries a request writes, each with all its words: those written, the others as they stand.
   *
   * @param now gives the words of an entry
   * @throws Refused where a place belongs to none, or may not be written
   */
  Map<RegisterEntry, int[]> written(
      RegisterTable table, int address, List<Integer> values, Function<RegisterEntry, int[]> now)
      throws Refused {
    Map<RegisterEntry, int[]> next = new LinkedHashMap<>();
    for (int i = 0; i < values.size(); i++) {
      RegisterEntry entry = at(table, address + i);
      if (!entry.access().isWritable()) {
        throw new Refused(ExceptionCode.ILLEGAL_DATA_ADDRESS);
      }
      int word = address + i - entry.address();
      next.computeIfAbsent(entry, e -> now.apply(e).clone())[word] = values.get(i);
    }
    return next;
  }
}
