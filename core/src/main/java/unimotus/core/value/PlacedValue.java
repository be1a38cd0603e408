package unimotus.core.value;

/**
 * A value and where it stands: in registers, in process data, in an object. Whoever reads and
 * writes over a connection knows values; only the connection knows what kind of place it is.
 */
public interface PlacedValue {

  /** What stands there. */
  DriveValue value();

  /** Where it stands, in a few signs as manuals have it, such as {@code 40011}. */
  String sign();

  /** Where it stands and what one step of it is, for people. */
  String where();
}
