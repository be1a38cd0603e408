package unimotus.devices.ethercat.station;

/**
 * Who a station is.
 *
 * @param vendor the vendor's number
 * @param product the product code
 * @param revision the revision
 * @param serial the serial number
 * @param alias the address it keeps; 0 for none
 */
public record StationIdentity(long vendor, long product, long revision, long serial, int alias) {
  private static final long MOST = 0xFFFF_FFFFL;

  /** Refuses numbers that do not fit. */
  public StationIdentity {
    within("vendor", vendor, MOST);
    within("product code", product, MOST);
    within("revision", revision, MOST);
    within("serial number", serial, MOST);
    within("alias", alias, 0xFFFF);
  }

  private static void within(String what, long number, long most) {
    if (number < 0 || number > most) {
      throw new IllegalArgumentException("%s %d is outside 0 to %d".formatted(what, number, most));
    }
  }

  /** The same device in another revision. */
  public StationIdentity withRevision(long next) {
    return new StationIdentity(vendor, product, next, serial, alias);
  }
}
