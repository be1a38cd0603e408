package unimotus.core.profile;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * A way to find the home position, by its number in object 0x6098 (IEC 61800-7-201, from memory).
 *
 * @param number 1 to 14, 17 to 30, 33, 34, 35 or 37
 * @param switched the switch that is sought
 * @param positive the direction in which it is sought first; for an index alone the one in which
 *     that is sought
 * @param index whether home is at the next index pulse of the encoder; else at the switch's edge
 */
public record HomingMethod(int number, Switch switched, boolean positive, boolean index) {
  private static final int WITHOUT_INDEX = 16;
  private static final int INDEX_NEGATIVE = 33;
  private static final int INDEX_POSITIVE = 34;
  private static final int HERE_FORMER = 35;
  private static final int HERE = 37;

  /** What is sought. */
  public enum Switch {
    NEGATIVE_LIMIT("negative limit switch"),
    POSITIVE_LIMIT("positive limit switch"),
    HOME("home switch"),
    NONE("no switch");

    private final String label;

    Switch(String label) {
      this.label = label;
    }

    /** The words shown. */
    public String label() {
      return label;
    }
  }

  /** The method of a number; empty where it is reserved or a manufacturer's own. */
  public static Optional<HomingMethod> of(int number) {
    if (number == HERE || number == HERE_FORMER) {
      return Optional.of(new HomingMethod(number, Switch.NONE, true, false));
    }
    if (number == INDEX_NEGATIVE || number == INDEX_POSITIVE) {
      return Optional.of(new HomingMethod(number, Switch.NONE, number == INDEX_POSITIVE, true));
    }
    boolean index = number <= WITHOUT_INDEX;
    int like = index ? number : number - WITHOUT_INDEX;
    return switch (like) {
      case 1 -> Optional.of(new HomingMethod(number, Switch.NEGATIVE_LIMIT, false, index));
      case 2 -> Optional.of(new HomingMethod(number, Switch.POSITIVE_LIMIT, true, index));
      case 3, 4, 7, 8, 9, 10 -> Optional.of(new HomingMethod(number, Switch.HOME, true, index));
      case 5, 6, 11, 12, 13, 14 -> Optional.of(new HomingMethod(number, Switch.HOME, false, index));
      default -> Optional.empty();
    };
  }

  /** All of them, by number. */
  public static List<HomingMethod> all() {
    List<HomingMethod> all = new ArrayList<>();
    IntStream.rangeClosed(1, HERE).forEach(n -> of(n).ifPresent(all::add));
    return all;
  }

  /** Whether the place where the axis stands becomes home. */
  public boolean isHere() {
    return switched == Switch.NONE && !index;
  }

  /** What it does, in a sentence. */
  public String text() {
    if (isHere()) {
      return "where the axis stands now is home";
    }
    String direction = positive ? "positive" : "negative";
    if (switched == Switch.NONE) {
      return "the next index pulse in %s direction is home".formatted(direction);
    }
    return "seeks the %s in %s direction; home is %s"
        .formatted(
            switched.label(), direction, index ? "the index pulse beside its edge" : "its edge");
  }
}
