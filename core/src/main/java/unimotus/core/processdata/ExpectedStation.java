package unimotus.core.processdata;

import unimotus.core.machine.BusStation;

/**
 * A station as a project has it.
 *
 * @param name what it is called there
 * @param vendor the vendor's number
 * @param product the product code
 * @param revision the revision
 * @param alias the address it keeps; 0 where none was given to it
 */
public record ExpectedStation(String name, long vendor, long product, long revision, int alias) {

  /** Who should answer for a station of a project. */
  public static ExpectedStation of(BusStation station) {
    return new ExpectedStation(
        station.name(), station.vendor(), station.product(), station.revision(), station.alias());
  }

  /** Whether it is the same kind of device, in whatever revision. */
  boolean isKindOf(AnsweringStation other) {
    return vendor == other.vendor() && product == other.product();
  }
}
