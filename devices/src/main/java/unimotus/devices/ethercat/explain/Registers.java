package unimotus.devices.ethercat.explain;

import unimotus.core.processdata.StateCode;
import unimotus.core.processdata.StationState;
import unimotus.devices.ethercat.Place;
import unimotus.devices.ethercat.TelegramParts;

/** What stands in the registers of a station, in words (ETG.1000.4, from memory). */
final class Registers {
  private static final int MANAGER = 8;
  private static final int MAPPING = 16;
  private static final int LAST_MANAGER = Place.SYNC_MANAGERS + 16 * MANAGER;
  private static final int LAST_MAPPING = Place.MAPPINGS + 16 * MAPPING;
  private static final int STATE_WORDS = 6;

  private Registers() {}

  /**
   * Takes the data of registers.
   *
   * @param place the first register
   * @param length how many bytes
   */
  static void take(int place, int length, TelegramParts parts) {
    if (place == Place.STATE && length == STATE_WORDS) {
      parts.take(2, "state", state((int) parts.number(0, 2)));
      parts.take(2, "data", "reserved");
      parts.take(2, "code", StateCode.told((int) parts.number(0, 2)));
    } else if (are(place, length, Place.SYNC_MANAGERS, LAST_MANAGER, MANAGER)) {
      for (int i = 0; i < length / MANAGER; i++) {
        int number = (place - Place.SYNC_MANAGERS) / MANAGER + i;
        parts.take(MANAGER, "sync manager %d".formatted(number), manager(parts));
      }
    } else if (are(place, length, Place.MAPPINGS, LAST_MAPPING, MAPPING)) {
      for (int i = 0; i < length / MAPPING; i++) {
        int number = (place - Place.MAPPINGS) / MAPPING + i;
        parts.take(MAPPING, "memory mapping %d".formatted(number), mapping(parts));
      }
    } else {
      parts.take(length, "data", one(place, length, parts));
    }
  }

  private static boolean are(int place, int length, int from, int to, int size) {
    return place >= from
        && place + length <= to
        && (place - from) % size == 0
        && length > 0
        && length % size == 0;
  }

  private static String one(int place, int length, TelegramParts parts) {
    int word = (int) parts.number(0, 2);
    if (length >= 2 && (place == Place.STATE || place == Place.STATE_ASKED)) {
      return state(word);
    }
    if (length == 2 && place == Place.STATE_CODE) {
      return StateCode.told(word);
    }
    return length >= 1 && length <= Integer.BYTES
        ? "%d, 0x%0{}X"
            .replace("{}", String.valueOf(2 * length))
            .formatted(parts.number(0, length), parts.number(0, length))
        : "";
  }

  private static String state(int word) {
    return StationState.of(word)
        .map(
            s ->
                s.label()
                    + ((word & StationState.REFUSED) == 0
                        ? ""
                        : ", a change was refused or is acknowledged"))
        .orElse("no state");
  }

  private static String manager(TelegramParts parts) {
    int control = (int) parts.number(4, 1);
    boolean isOn = (parts.number(6, 1) & 1) != 0;
    return "from 0x%04X, %d bytes, %s %s%s, %s"
        .formatted(
            parts.number(0, 2),
            parts.number(2, 2),
            switch (control & 0b11) {
              case 0 -> "buffered,";
              case 2 -> "mailbox,";
              default -> "of a kind not in the standard,";
            },
            switch (control >> 2 & 0b11) {
              case 0 -> "read by the controller";
              case 1 -> "written by the controller";
              default -> "in a direction not in the standard";
            },
            (control & 0x40) != 0 ? ", watchdog" : "",
            isOn ? "on" : "off");
  }

  private static String mapping(TelegramParts parts) {
    int type = (int) parts.number(11, 1);
    boolean isOn = (parts.number(12, 1) & 1) != 0;
    return "logical 0x%08X, %d bytes, bit %d to %d, on 0x%04X from bit %d, %s, %s"
        .formatted(
            parts.number(0, 4),
            parts.number(4, 2),
            parts.number(6, 1),
            parts.number(7, 1),
            parts.number(8, 2),
            parts.number(10, 1),
            switch (type & 0b11) {
              case 1 -> "read";
              case 2 -> "written";
              case 3 -> "read and written";
              default -> "neither read nor written";
            },
            isOn ? "on" : "off");
  }
}
