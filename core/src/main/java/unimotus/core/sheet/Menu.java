package unimotus.core.sheet;

/**
 * How one walks through a drive's settings on its keypad.
 *
 * @param style how the settings are laid out
 * @param next the key that goes on by one
 * @param previous the key that goes back by one
 * @param enter the key that opens and takes
 * @param back the key that leaves; not used in a plain list
 */
public record Menu(Style style, String next, String previous, String enter, String back) {
  /** A plain list with arrow keys. */
  public static final Menu LIST = new Menu(Style.LIST, "▲", "▼", "enter", "esc");

  /** How settings are laid out. */
  public enum Style {
    /** One list from end to end, closed to a ring. */
    LIST,
    /** Groups, and the settings of a group in it. */
    GROUPS,
    /** The code is dialled digit by digit; {@code enter} goes on to the next digit. */
    DIGITS
  }
}
