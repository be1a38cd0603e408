package unimotus.devices.ethercat;

import java.util.Map;
import java.util.TreeMap;

/** What stands where in a station's memory (ETG.1000.4, from memory). */
public final class Place {
  private static final int FMMU = 0x0600;
  private static final int SYNC_MANAGER = 0x0800;
  private static final int PROCESS_DATA = 0x1000;

  private static final TreeMap<Integer, String> NAMES =
      new TreeMap<>(
          Map.ofEntries(
              Map.entry(0x0000, "type of the controller chip"),
              Map.entry(0x0010, "station address"),
              Map.entry(0x0012, "alias"),
              Map.entry(0x0110, "state of the ports"),
              Map.entry(0x0120, "state that is asked for"),
              Map.entry(0x0130, "state"),
              Map.entry(0x0134, "code beside the state"),
              Map.entry(0x0300, "receive errors, two bytes a port"),
              Map.entry(0x0310, "lost links"),
              Map.entry(0x0400, "watchdog divider"),
              Map.entry(0x0410, "watchdog of the device"),
              Map.entry(0x0420, "watchdog of process data"),
              Map.entry(0x0440, "state of the watchdog"),
              Map.entry(0x0500, "owner of the EEPROM"),
              Map.entry(0x0502, "control of the EEPROM"),
              Map.entry(0x0504, "address in the EEPROM"),
              Map.entry(0x0508, "data of the EEPROM"),
              Map.entry(0x0900, "times of the ports"),
              Map.entry(0x0910, "system time"),
              Map.entry(0x0920, "offset of the system time"),
              Map.entry(0x0928, "delay of the system time"),
              Map.entry(0x092C, "difference of the system time"),
              Map.entry(0x0981, "activation of the signals"),
              Map.entry(0x0990, "start of the signals"),
              Map.entry(0x09A0, "period of SYNC0"),
              Map.entry(0x09A4, "period of SYNC1")));

  private Place() {}

  /** What stands at an address, for people; empty where nothing is known. */
  public static String name(int address) {
    if (address >= PROCESS_DATA) {
      return "memory of mailbox and process data";
    }
    if (address >= SYNC_MANAGER && address < SYNC_MANAGER + 0x80) {
      return "sync manager %d, byte %d"
          .formatted((address - SYNC_MANAGER) / 8, (address - SYNC_MANAGER) % 8);
    }
    if (address >= FMMU && address < FMMU + 0x100) {
      return "memory mapping %d, byte %d".formatted((address - FMMU) / 16, (address - FMMU) % 16);
    }
    return NAMES.getOrDefault(address, "");
  }
}
