package unimotus.core.fieldbus;

import java.util.Locale;

/** How manuals write an address; the wire counts from 0. */
public enum Notation {
  /** As on the wire: 0 is the first. */
  FROM_ZERO("from 0"),
  /** 1 is the first. */
  FROM_ONE("from 1"),
  /** Five digits with the table first: 40001 is the first holding register. */
  FIVE_DIGITS("4xxxx"),
  /** Six digits with the table first: 400001 is the first holding register. */
  SIX_DIGITS("4xxxxx"),
  /** As on the wire, in hexadecimal. */
  HEX("hex");

  private static final int LAST = 0xFFFF;
  private static final int LAST_OF_FIVE_DIGITS = 9998;

  private final String label;

  Notation(String label) {
    this.label = label;
  }

  /** The words shown. */
  public String label() {
    return label;
  }

  /**
   * An address in this notation; a dash where the notation does not reach so far.
   *
   * @param address counted from 0
   */
  public String write(RegisterTable table, int address) {
    return switch (this) {
      case FROM_ZERO -> String.valueOf(address);
      case FROM_ONE -> String.valueOf(address + 1);
      case FIVE_DIGITS ->
          address > LAST_OF_FIVE_DIGITS ? "–" : "%d%04d".formatted(table.prefix(), address + 1);
      case SIX_DIGITS -> "%d%05d".formatted(table.prefix(), address + 1);
      case HEX -> "0x%04X".formatted(address);
    };
  }

  /**
   * The address on the wire, counted from 0.
   *
   * @throws IllegalArgumentException naming text and limit where it is none, or of another table
   */
  public int read(RegisterTable table, String text) {
    String plain = text.strip().toLowerCase(Locale.ROOT).replace(" ", "");
    try {
      int address =
          switch (this) {
            case FROM_ZERO -> Integer.parseInt(plain);
            case FROM_ONE -> Integer.parseInt(plain) - 1;
            case FIVE_DIGITS -> referenced(table, plain, 5);
            case SIX_DIGITS -> referenced(table, plain, 6);
            case HEX -> Integer.parseInt(plain.replaceFirst("^0x|h$", ""), 16);
          };
      if (address < 0 || address > LAST) {
        throw new IllegalArgumentException(
            "address '%s' (%s) lies outside the 65536 places of the table"
                .formatted(text.strip(), label));
      }
      return address;
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException(
          "'%s' is no address written %s".formatted(text.strip(), label));
    }
  }

  private int referenced(RegisterTable table, String text, int digits) {
    if (text.length() != digits || text.charAt(0) - '0' != table.prefix()) {
      throw new IllegalArgumentException(
          "'%s' is no reference of a %s: %d digits that begin with %d"
              .formatted(text, table.label(), digits, table.prefix()));
    }
    return Integer.parseInt(text.substring(1)) - 1;
  }
}
