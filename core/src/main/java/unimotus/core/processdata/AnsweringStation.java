package unimotus.core.processdata;

/**
 * A station as it answers.
 *
 * @param position its place on the wire, from 0
 * @param vendor the vendor's number
 * @param product the product code
 * @param revision the revision
 * @param serial the serial number
 * @param alias the address it keeps; 0 for none
 * @param isLinkedOn whether a cable with somebody alive at its other end is in the port onward
 */
public record AnsweringStation(
    int position,
    long vendor,
    long product,
    long revision,
    long serial,
    int alias,
    boolean isLinkedOn) {

  /** One whose EEPROM cannot be read. */
  public static AnsweringStation unknown(int position, boolean isLinkedOn) {
    return new AnsweringStation(position, 0, 0, 0, 0, 0, isLinkedOn);
  }

  /** Whether nothing is known of it but that it answers. */
  boolean isUnknown() {
    return vendor == 0 && product == 0;
  }
}
