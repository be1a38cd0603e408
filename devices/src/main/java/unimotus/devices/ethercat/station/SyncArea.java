package unimotus.devices.ethercat.station;

import unimotus.devices.ethercat.Place;

/**
 * What a sync manager watches over, as its registers stand.
 *
 * @param number its number
 * @param start its first byte
 * @param length its bytes; 0 where it is off
 * @param control the byte that says how it works
 */
record SyncArea(int number, int start, int length, int control) {
  /** Beside the state of a mailbox: something lies in it. */
  static final int FULL = 0x08;

  /** Asked for anew, and done: the last mail is laid into the mailbox again. */
  static final int REPEAT = 0x02;

  private static final int REGISTERS = 8;
  private static final int STATUS = 5;
  private static final int ACTIVE = 6;
  private static final int DEVICE = 7;
  private static final int MAILBOX = 0x02;
  private static final int MODE = 0x03;
  private static final int DIRECTION = 0x0C;
  private static final int TO_STATION = 0x04;

  static SyncArea of(StationMemory memory, int number) {
    int at = Place.SYNC_MANAGERS + REGISTERS * number;
    // Registers are out of its reach, whatever is written into it.
    boolean active =
        (memory.octet(at + ACTIVE) & 1) != 0 && memory.word(at) >= Place.PROCESS_MEMORY;
    return new SyncArea(
        number, memory.word(at), active ? memory.word(at + 2) : 0, memory.octet(at + 4));
  }

  /** Whether a register is a part of a sync manager that the controller only reads. */
  static boolean isOwnRegister(int place) {
    int offset = place - Place.SYNC_MANAGERS;
    return offset % REGISTERS == STATUS || offset % REGISTERS == DEVICE;
  }

  int end() {
    return start + length;
  }

  /** Whether some of these bytes are in it. */
  boolean touches(int at, int size) {
    return length > 0 && at < end() && at + size > start;
  }

  boolean isMailbox() {
    return (control & MODE) == MAILBOX;
  }

  /** Whether the controller writes it and the station reads it. */
  boolean isToStation() {
    return (control & DIRECTION) == TO_STATION;
  }

  int statusPlace() {
    return Place.SYNC_MANAGERS + REGISTERS * number + STATUS;
  }

  int activePlace() {
    return Place.SYNC_MANAGERS + REGISTERS * number + ACTIVE;
  }

  int devicePlace() {
    return Place.SYNC_MANAGERS + REGISTERS * number + DEVICE;
  }

  /** Whether something lies in it. */
  boolean isFull(StationMemory memory) {
    return (memory.octet(statusPlace()) & FULL) != 0;
  }

  void full(StationMemory memory, boolean full) {
    int status = memory.octet(statusPlace());
    memory.putOctet(statusPlace(), full ? status | FULL : status & ~FULL);
  }
}
