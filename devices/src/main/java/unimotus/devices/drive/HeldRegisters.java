package unimotus.devices.drive;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.devices.modbus.ExceptionCode;
import unimotus.devices.modbus.Unit.Refused;

/** The places of a register map: what stands in them, and which entries a request touches. */
final class HeldRegisters {
  private final RegisterMap map;
  private final Map<RegisterEntry, int[]> held = new HashMap<>();

  HeldRegisters(RegisterMap map) {
    this.map = map;
    map.entries().forEach(e -> held.put(e, new int[e.type().words()]));
  }

  /** What was written into an entry last; zeros before. */
  int[] words(RegisterEntry entry) {
    return held.get(entry).clone();
  }

  void hold(RegisterEntry entry, int[] words) {
    held.put(entry, words.clone());
  }

  private RegisterEntry at(RegisterTable table, int address) throws Refused {
    for (RegisterEntry entry : map.entries()) {
      if (entry.table() == table && address >= entry.address() && address < entry.end()) {
        return entry;
      }
    }
    throw new Refused(ExceptionCode.ILLEGAL_DATA_ADDRESS);
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
