package unimotus.core.machine;

import unimotus.core.sheet.NumberSetting;

/**
 * A speed the program chooses by closing preset inputs of the drive.
 *
 * @param number the combination, 0 to 15: the sum of the weights of the closed inputs, or the
 *     number of the closed one, as the drive counts
 * @param name what it is for, such as {@code soak}
 * @param speed the machine speed that is wanted, in the unit of the mechanics
 */
public record Preset(int number, String name, double speed) {

  /** Checks number, name and speed. */
  public Preset {
    if (number < 0 || number > NumberSetting.LAST_PRESET) {
      throw new IllegalArgumentException(
          "preset %d: its number must be 0 to %d".formatted(number, NumberSetting.LAST_PRESET));
    }
    if (name.isBlank()) {
      throw new IllegalArgumentException("preset %d: a name is needed".formatted(number));
    }
    if (!Double.isFinite(speed)) {
      throw new IllegalArgumentException(
          "preset %d: its speed must be a number, not %s".formatted(number, speed));
    }
  }
}
