package unimotus.core.machine;

/**
 * Where a person put a device on the wire board. The order of a project's places is the order of
 * the devices on each side, from the top.
 *
 * @param device id of the device, or of the motor on the power side
 * @param side the side of the wire duct it stands on
 */
public record BoardPlace(String device, Side side) {
  /** A side of the wire duct. */
  public enum Side {
    LEFT,
    RIGHT
  }
}
