package unimotus.core.scaling;

import java.util.List;
import org.hipparchus.fraction.BigFraction;

/**
 * Two copies side by side.
 *
 * @param first who holds the first
 * @param second who holds the second
 * @param ratio counts for one unit in the first by those in the second, not negative; 1 where they
 *     are equal, and never null: units are brought to one another where they measure the same, and
 *     compared as plain numbers where they do not
 * @param comparable whether the units measure the same, a length against a length
 * @param causes what differs, empty where all is equal
 */
public record ScalingDifference(
    Holder first, Holder second, BigFraction ratio, boolean comparable, List<ScalingCause> causes) {

  /** A feed such as π·d does not end and is entered with six digits or more. */
  static final double LAST_DIGIT = 1e-6;

  /** Takes a copy. */
  public ScalingDifference {
    causes = List.copyOf(causes);
  }

  /**
   * Whether one unit is as many counts in both, within the last digit of a feed, in the same
   * direction, per the same time.
   */
  public boolean isEqual() {
    return comparable
        && Math.abs(ratio.doubleValue() - 1) < LAST_DIGIT
        && causes.stream()
            .noneMatch(
                c -> c.kind() == ScalingCause.Kind.POLARITY || c.kind() == ScalingCause.Kind.TIME);
  }
}
