package unimotus.core.machine;

import java.util.Locale;

/** What an operator sets the speed with at the drive, where no program does. */
public enum LocalReference {
  /** A potentiometer on the drive's own 10 V, its wiper on an analog input. */
  POTENTIOMETER,
  /** The keypad of the drive. */
  KEYPAD;

  /** The word shown to the user. */
  public String label() {
    return name().toLowerCase(Locale.ROOT);
  }
}
