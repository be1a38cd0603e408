package unimotus.core.value;

/**
 * A value and where it stands: in registers, in process data, in an object. Whoever reads and
 * writes over a connection knows values; only the connection knows what kind of place it is.
 */
public interface PlacedValue {

  /** What stands there. */
  DriveValue value();

  /** What it is. */
  default String name() {
    return value().name();
  }

  /** What it is to the program. */
  default ValueRole role() {
    return value().role();
  }

  /** What its bits mean. */
  default ValueType type() {
    return value().type();
  }

  /** Value of one raw step. */
  default double scale() {
    return value().scaling().scale();
  }

  /** Value at raw 0. */
  default double offset() {
    return value().scaling().offset();
  }

  /** Unit of the value; empty for none. */
  default String unit() {
    return value().scaling().unit();
  }

  /** Least value that is meant. */
  default double minimum() {
    return value().limits().minimum();
  }

  /** Greatest value that is meant. */
  default double maximum() {
    return value().limits().maximum();
  }

  /** Whether it may be read and written. */
  default Access access() {
    return value().access();
  }

  /** The value nearest to this one that its type holds. */
  default double held(double number) {
    return value().held(number);
  }

  /** Where it stands, in a few signs as manuals have it, such as {@code 40011}. */
  String sign();

  /** Where it stands and what one step of it is, for people. */
  String where();
}
