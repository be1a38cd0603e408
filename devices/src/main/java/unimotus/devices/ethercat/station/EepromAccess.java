package unimotus.devices.ethercat.station;

import java.util.Arrays;
import unimotus.devices.ethercat.Place;

/** The registers through which the EEPROM is read and written, a few bytes at a time. */
final class EepromAccess {
  private static final int READ = 1;
  private static final int WRITE = 2;
  private static final int RELOAD = 4;
  private static final int COMMAND = 0x07;
  private static final int WRITE_ENABLED = 0x01;
  private static final int READS_EIGHT = 0x40;
  private static final int REFUSED = 0x2000;

  private final StationMemory memory;
  private final byte[] content;

  EepromAccess(StationMemory memory, byte[] content) {
    this.memory = memory;
    this.content = content.clone();
    memory.putWord(Place.EEPROM_CONTROL, READS_EIGHT);
    load();
  }

  /** The alias is taken over at power on only. */
  private void load() {
    memory.put(Place.ALIAS, Arrays.copyOfRange(content, 8, 10));
  }

  /** Does what stands in the control register. */
  void command() {
    int control = memory.word(Place.EEPROM_CONTROL);
    int command = control >> Byte.SIZE & COMMAND;
    long word = Integer.toUnsignedLong(memory.doubleWord(Place.EEPROM_ADDRESS));
    boolean isThere = 2 * word + 2 <= content.length;
    boolean done =
        switch (command) {
          case 0 -> true;
          case READ -> {
            read(2 * word);
            yield true;
          }
          case WRITE -> isThere && (control & WRITE_ENABLED) != 0 && write((int) (2 * word));
          case RELOAD -> {
            load();
            yield true;
          }
          default -> false;
        };
    memory.putWord(Place.EEPROM_CONTROL, READS_EIGHT | (done ? 0 : REFUSED));
  }

  private void read(long at) {
    byte[] data = new byte[Long.BYTES];
    Arrays.fill(data, (byte) 0xFF);
    if (at < content.length) {
      int length = (int) Math.min(data.length, content.length - at);
      System.arraycopy(content, (int) at, data, 0, length);
    }
    memory.put(Place.EEPROM_DATA, data);
  }

  private boolean write(int at) {
    System.arraycopy(memory.copy(Place.EEPROM_DATA, 2), 0, content, at, 2);
    return true;
  }
}
