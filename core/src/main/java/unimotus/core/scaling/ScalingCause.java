package unimotus.core.scaling;

/**
 * One part of a difference between two copies.
 *
 * @param kind what differs
 * @param seen what stands in the two copies, in words
 * @param factor by how much it alone makes the counts for one unit of the first copy larger
 */
public record ScalingCause(Kind kind, String seen, double factor) {

  /** What differs. */
  public enum Kind {
    ENCODER("counts of the encoder"),
    GEAR("gear ratio"),
    FEED("feed"),
    UNIT("unit of the feed"),
    POLARITY("direction of counting"),
    TIME("unit of time");

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
