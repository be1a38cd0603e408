package unimotus.core.sequence;

/**
 * What is doubtful about a sequence.
 *
 * @param kind what kind
 * @param step which step, from 1; 0 for the whole
 * @param seen what stands there
 * @param why why it matters
 * @param remedy what to do
 */
public record SequenceDoubt(Kind kind, int step, String seen, String why, String remedy) {

  /** Kinds of doubt. */
  public enum Kind {
    NO_LIMIT("waits without a limit"),
    NO_FEEDBACK("moves without looking"),
    LATCH("output stays on"),
    DEAD_END("steps are never reached"),
    VALUE_LOST("value is lost at power-off"),
    JOG_UNENDED("axis runs without a limit"),
    CONTRADICTION("waits for what it has just ended");

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
