package unimotus.devices.ethercat;

import java.util.Map;
import java.util.TreeMap;

/** What stands where in a station's memory (ETG.1000.4, from memory). */
public final class Place {
  /** The type of the controller chip, and what it has. */
  public static final int TYPE = 0x0000;

  /** How many memory mappings it has. */
  public static final int MAPPING_COUNT = 0x0004;

  /** How many sync managers it has. */
  public static final int SYNC_MANAGER_COUNT = 0x0005;

  /** Its memory for mailbox and process data, in KiB. */
  public static final int MEMORY_SIZE = 0x0006;

  /** What its ports are, two bits each. */
  public static final int PORTS = 0x0007;

  /** What it can do. */
  public static final int FEATURES = 0x0008;

  /** The address it was given. */
  public static final int STATION_ADDRESS = 0x0010;

  /** The address it keeps. */
  public static final int ALIAS = 0x0012;

  /** Whether it takes datagrams to its alias too: bit 24 of this long word. */
  public static final int PORT_CONTROL = 0x0100;

  /** Links, loops and communication of its ports. */
  public static final int PORT_STATUS = 0x0110;

  /** The state that is asked for. */
  public static final int STATE_ASKED = 0x0120;

  /** The state it is in. */
  public static final int STATE = 0x0130;

  /** Why it is not in the one asked for. */
  public static final int STATE_CODE = 0x0134;

  /** What the lamp for the state shows instead of it. */
  public static final int LAMP = 0x0138;

  /** The lamp blinks, whatever the state. */
  public static final int BLINKING = 0x1D;

  /** Receive errors, two bytes a port. */
  public static final int RECEIVE_ERRORS = 0x0300;

  /** Lost links, a byte a port. */
  public static final int LOST_LINKS = 0x0310;

  /** Watchdog divider, in steps of 40 ns, less 2. */
  public static final int WATCHDOG_DIVIDER = 0x0400;

  /** Watchdog of process data, in divided steps. */
  public static final int WATCHDOG = 0x0420;

  /** Whether the watchdog of process data is content. */
  public static final int WATCHDOG_STATUS = 0x0440;

  /** Who owns the EEPROM. */
  public static final int EEPROM_OWNER = 0x0500;

  /** Control and status of the EEPROM. */
  public static final int EEPROM_CONTROL = 0x0502;

  /** The address in the EEPROM, in words. */
  public static final int EEPROM_ADDRESS = 0x0504;

  /** What was read of it. */
  public static final int EEPROM_DATA = 0x0508;

  /** Memory mappings, 16 bytes each. */
  public static final int MAPPINGS = 0x0600;

  /** Sync managers, 8 bytes each. */
  public static final int SYNC_MANAGERS = 0x0800;

  /** When a telegram came in at each port, 4 bytes each. */
  public static final int PORT_TIMES = 0x0900;

  /** The time of the bus, in ns. */
  public static final int SYSTEM_TIME = 0x0910;

  /** When the telegram came in, by the station's own clock. */
  public static final int RECEIVE_TIME = 0x0918;

  /** What is added to the station's own clock. */
  public static final int TIME_OFFSET = 0x0920;

  /** How long a telegram is under way to the station, in ns. */
  public static final int TIME_DELAY = 0x0928;

  /** By how much its time differs from the one that came. */
  public static final int TIME_DIFFERENCE = 0x092C;

  /** Signals of the clock: activation, start and periods. */
  public static final int SIGNALS = 0x0980;

  /** First byte of the memory for mailbox and process data. */
  public static final int PROCESS_MEMORY = 0x1000;

  private static final TreeMap<Integer, String> NAMES =
      new TreeMap<>(
          Map.ofEntries(
              Map.entry(TYPE, "type of the controller chip"),
              Map.entry(STATION_ADDRESS, "station address"),
              Map.entry(ALIAS, "alias"),
              Map.entry(PORT_STATUS, "state of the ports"),
              Map.entry(STATE_ASKED, "state that is asked for"),
              Map.entry(STATE, "state"),
              Map.entry(STATE_CODE, "code beside the state"),
              Map.entry(LAMP, "lamp for the state"),
              Map.entry(RECEIVE_ERRORS, "receive errors, two bytes a port"),
              Map.entry(LOST_LINKS, "lost links"),
              Map.entry(WATCHDOG_DIVIDER, "watchdog divider"),
              Map.entry(0x0410, "watchdog of the device"),
              Map.entry(WATCHDOG, "watchdog of process data"),
              Map.entry(WATCHDOG_STATUS, "state of the watchdog"),
              Map.entry(EEPROM_OWNER, "owner of the EEPROM"),
              Map.entry(EEPROM_CONTROL, "control of the EEPROM"),
              Map.entry(EEPROM_ADDRESS, "address in the EEPROM"),
              Map.entry(EEPROM_DATA, "data of the EEPROM"),
              Map.entry(PORT_TIMES, "times of the ports"),
              Map.entry(SYSTEM_TIME, "system time"),
              Map.entry(TIME_OFFSET, "offset of the system time"),
              Map.entry(TIME_DELAY, "delay of the system time"),
              Map.entry(TIME_DIFFERENCE, "difference of the system time"),
              Map.entry(0x0981, "activation of the signals"),
              Map.entry(0x0990, "start of the signals"),
              Map.entry(0x09A0, "period of SYNC0"),
              Map.entry(0x09A4, "period of SYNC1")));

  private Place() {}

  /** What stands at an address, for people; empty where nothing is known. */
  public static String name(int address) {
    if (address >= PROCESS_MEMORY) {
      return "memory of mailbox and process data";
    }
    if (address >= SYNC_MANAGERS && address < SYNC_MANAGERS + 0x80) {
      return "sync manager %d, byte %d"
          .formatted((address - SYNC_MANAGERS) / 8, (address - SYNC_MANAGERS) % 8);
    }
    if (address >= MAPPINGS && address < MAPPINGS + 0x100) {
      return "memory mapping %d, byte %d"
          .formatted((address - MAPPINGS) / 16, (address - MAPPINGS) % 16);
    }
    return NAMES.getOrDefault(address, "");
  }
}
