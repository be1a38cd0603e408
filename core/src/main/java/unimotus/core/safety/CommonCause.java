package unimotus.core.safety;

import java.util.Arrays;
import java.util.List;

/** Measures against common cause failures with their points (ISO 13849-1, annex F, from memory). */
public enum CommonCause {
  SEPARATION("separation of signal paths", 15),
  DIVERSITY("different technology or principle in the channels", 20),
  OVERVOLTAGE("protection against over-voltage and over-current", 15),
  WELL_TRIED("well-tried devices", 5),
  ANALYSIS("failure analysis done in design", 5),
  TRAINING("designers trained for common causes", 5),
  EMC("protection against disturbances: earthing, shields, filters", 25),
  ENVIRONMENT("temperature, shock, damp and dirt thought of", 10);

  /** So many points of the hundred are needed for two channels to count as two. */
  public static final int NEEDED = 65;

  private final String label;
  private final int points;

  CommonCause(String label, int points) {
    this.label = label;
    this.points = points;
  }

  /** The words shown to the user. */
  public String label() {
    return label;
  }

  /** Points of the measure. */
  public int points() {
    return points;
  }

  /** Whether a measure of this name is known. */
  public static boolean isKnown(String name) {
    return Arrays.stream(values()).anyMatch(m -> m.name().equals(name));
  }

  /** The points of measures by their names; unknown names count nothing. */
  public static int points(List<String> names) {
    int sum = 0;
    for (CommonCause measure : values()) {
      sum += names.contains(measure.name()) ? measure.points : 0;
    }
    return sum;
  }
}
