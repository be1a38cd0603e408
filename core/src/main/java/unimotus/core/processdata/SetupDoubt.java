package unimotus.core.processdata;

/**
 * Something that cannot be as it was chosen.
 *
 * @param kind what kind of thing
 * @param seen what is seen, with numbers
 * @param remedy what to do
 */
public record SetupDoubt(Kind kind, String seen, String remedy) {

  /** What can be wrong with a choice. */
  public enum Kind {
    SLOT("a slot does not hold what it must"),
    MANDATORY("a process data object is missing"),
    EXCLUDED("two process data objects exclude each other"),
    NOT_TOLD("the device takes its image as delivered only"),
    UNKNOWN("a process data object is not known");

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
