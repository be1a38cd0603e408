package unimotus.core.fieldbus;

/**
 * Something in a register map that cannot be right, or hardly.
 *
 * @param kind what kind of thing
 * @param entry name of the entry it is about
 * @param seen what is seen, with numbers
 * @param remedy what to do
 */
public record MapDoubt(Kind kind, String entry, String seen, String remedy) {

  /** What can be wrong with a map. */
  public enum Kind {
    OVERLAP("two values share a register"),
    RANGE("the range does not fit the type"),
    RESOLUTION("the scale leaves few steps"),
    READ_ONLY("written where one can only read"),
    TOO_LONG("more than one request can carry"),
    ROLE_TWICE("two values have the same role"),
    UNIT("the unit does not measure this"),
    SHIFTED("all addresses are one off");

    private final String label;

    Kind(String label) {
      this.label = label;
    }

    /** The words shown. */
    public String label() {
      return label;
    }
  }
}
