package unimotus.devices.modbus;

/** What the protocol allows. */
final class Limits {
  private static final int PLACES = 0x10000;

  private Limits() {}

  /** Addresses that no table has. */
  static final class OutsideTable extends IllegalArgumentException {
    private static final long serialVersionUID = 1L;

    OutsideTable(String words) {
      super(words);
    }
  }

  static void check(String what, int value, int least, int most) {
    if (value < least || value > most) {
      throw new IllegalArgumentException(
          "%s must be %d to %d, not %d".formatted(what, least, most, value));
    }
  }

  static void span(int address, int count) {
    if (address < 0 || address + count > PLACES) {
      throw new OutsideTable(
          "addresses %d to %d lie outside 0 to 65535".formatted(address, address + count - 1));
    }
  }
}
