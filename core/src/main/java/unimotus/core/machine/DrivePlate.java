package unimotus.core.machine;

import java.util.List;

/**
 * What was read on a drive before anything was wired.
 *
 * @param suffix the end of the model's name as printed; empty for none
 * @param firmware its version as shown, such as {@code 2.14}; empty where it was not read
 * @param modules option modules the drive recognised
 * @param undamaged whether an inspection found it sound
 */
public record DrivePlate(String suffix, String firmware, List<String> modules, boolean undamaged) {
  /** Nothing read yet. */
  public static final DrivePlate UNREAD = new DrivePlate("", "", List.of(), false);

  /** Takes a copy. */
  public DrivePlate {
    modules = List.copyOf(modules);
    if (!firmware.isEmpty() && !firmware.matches("[0-9]+(\\.[0-9]+)*")) {
      throw new IllegalArgumentException(
          "firmware is read as numbers with points, such as 2.14, not '%s'".formatted(firmware));
    }
  }
}
