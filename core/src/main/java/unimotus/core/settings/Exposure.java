package unimotus.core.settings;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;

/**
 * A stretch of the entries in which a closed run contact, or a word on the bus, would start the
 * motor on data that are not its own.
 *
 * @param from number of the entry after which the drive listens; 0 before the first
 * @param to number of the entry with which the motor is known
 * @param missing settings of the motor that do not stand as meant when it begins
 */
record Exposure(int from, int to, List<SettingDefinition> missing) {
  private static final SettingValue KEYPAD = new SettingValue.Choice("keypad");

  /** Takes a copy. */
  public Exposure {
    missing = List.copyOf(missing);
  }

  /**
   * The first stretch of a way.
   *
   * @param stands the drive before the first entry and after each
   * @param target what it shall hold
   */
  static Optional<Exposure> of(List<DriveMemory> stands, Map<String, SettingValue> target) {
    int last = stands.size() - 1;
    Map<String, SettingValue> entered = new HashMap<>(target);
    // What stays unread is told apart; no entry of this way ends it.
    entered.keySet().retainAll(stands.get(last).values().keySet());
    for (int from = 0; from < last; from++) {
      List<SettingDefinition> missing = missing(stands.get(from), entered);
      if (listens(stands.get(from)) && !missing.isEmpty()) {
        int to = from + 1;
        while (to < last && !missing(stands.get(to), entered).isEmpty()) {
          to++;
        }
        return Optional.of(new Exposure(from, to, missing));
      }
    }
    return Optional.empty();
  }

  /** Whether it takes run from anywhere but its own keypad, or may for all that was read. */
  static boolean listens(DriveMemory drive) {
    return drive
        .sheet()
        .setting(SettingRole.COMMAND_SOURCE)
        .map(s -> !KEYPAD.equals(drive.values().get(s.code())))
        .orElse(true);
  }

  private static List<SettingDefinition> missing(
      DriveMemory drive, Map<String, SettingValue> target) {
    DriveSheet sheet = drive.sheet();
    return sheet.settings().stream()
        .filter(s -> s.isOfTheMotor() && target.containsKey(s.code()))
        .filter(s -> !Objects.equals(target.get(s.code()), drive.values().get(s.code())))
        .toList();
  }

  /** The caution in a sentence. */
  public String text() {
    String when = from == 0 ? "From the start" : "From entry %d on".formatted(from);
    return "%s and until entry %d the drive takes run from outside while its motor data are another motor's: keep its torque off (isolator open, safe torque off open), a closed run contact would start it."
        .formatted(when, to);
  }
}
