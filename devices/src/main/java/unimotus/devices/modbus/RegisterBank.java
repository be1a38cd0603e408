package unimotus.devices.modbus;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import unimotus.core.fieldbus.RegisterTable;

/** Plain registers that keep what is written; safe for several clients at once. */
public class RegisterBank implements Unit {
  private final Map<RegisterTable, int[]> tables = new EnumMap<>(RegisterTable.class);
  private final Map<Integer, String> identity;

  /**
   * A bank.
   *
   * @param places how many places each table has, from address 0
   */
  public RegisterBank(int places, Map<Integer, String> identity) {
    for (RegisterTable table : RegisterTable.values()) {
      tables.put(table, new int[places]);
    }
    this.identity = Map.copyOf(identity);
  }

  @Override
  public synchronized List<Integer> read(RegisterTable table, int address, int count)
      throws Refused {
    int[] places = places(table, address, count);
    List<Integer> values = new ArrayList<>(count);
    for (int i = 0; i < count; i++) {
      values.add(places[address + i]);
    }
    return values;
  }

  @Override
  public synchronized void write(RegisterTable table, int address, List<Integer> values)
      throws Refused {
    int[] places = places(table, address, values.size());
    for (int i = 0; i < values.size(); i++) {
      places[address + i] = values.get(i);
    }
  }

  private int[] places(RegisterTable table, int address, int count) throws Refused {
    int[] places = Objects.requireNonNull(tables.get(table), table::name);
    if (address + count > places.length) {
      throw new Refused(ExceptionCode.ILLEGAL_DATA_ADDRESS);
    }
    return places;
  }

  @Override
  public Map<Integer, String> identity() {
    return identity;
  }
}
