package unimotus.core.processdata;

/**
 * Where who answers is not who a project expects.
 *
 * @param kind what kind of difference
 * @param position where on the wire it is seen, from 0
 * @param seen what is seen, with names and numbers
 * @param remedy what to do
 */
public record BusDoubt(Kind kind, int position, String seen, String remedy) {

  /** Kinds of difference. */
  public enum Kind {
    CABLE_OPEN("the cable is open"),
    MISSING("a station is missing"),
    EXTRA("a station is not in the project"),
    OTHER_DEVICE("another device answers"),
    EXCHANGED("stations are exchanged"),
    OTHER_REVISION("another revision answers"),
    ALIAS("another alias is set"),
    UNREADABLE("who a station is cannot be read"),
    TWINS("stations of one kind that nothing tells apart");

    private final String label;

    Kind(String label) {
      this.label = label;
    }

    /** Whether something differs; else it is left open whether something does. */
    public boolean isDifference() {
      return this != TWINS;
    }

    /** The words shown. */
    public String label() {
      return label;
    }
  }
}
