package unimotus.devices.serial;

import java.util.Locale;

/** The bit that makes the ones of a character even or odd. */
public enum Parity {
  NONE,
  EVEN,
  ODD;

  /** The word shown. */
  public String label() {
    return name().toLowerCase(Locale.ROOT);
  }
}
