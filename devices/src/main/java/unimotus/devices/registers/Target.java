package unimotus.devices.registers;

import unimotus.devices.modbus.Route;

/**
 * Where a drive is.
 *
 * @param route the way to it
 * @param unit its unit number
 */
public record Target(Route route, int unit) {
  private static final int MOST_UNITS = 255;

  /** Checks the number. */
  public Target {
    if (unit < 0 || unit > MOST_UNITS) {
      throw new IllegalArgumentException("a unit number is 0 to 255, not " + unit);
    }
  }

  @Override
  public String toString() {
    return "%s unit %d".formatted(route, unit);
  }
}
