package unimotus.core.stops;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What one fault does, or two.
 *
 * @param faults the faults, in the order they happened
 * @param detection when the last one shows
 * @param stopLost whether torque stayed possible while the stop was demanded
 * @param excluded why the last fault is taken for impossible, as it is on record; null where it is
 *     not
 */
public record FaultResult(
    List<ElementFault> faults, Detection detection, boolean stopLost, @Nullable String excluded) {

  /** Takes a copy. */
  public FaultResult {
    faults = List.copyOf(faults);
  }

  /** The same on top of a first fault that changes nothing. */
  FaultResult after(ElementFault first) {
    return new FaultResult(List.of(first, last()), detection, stopLost, excluded);
  }

  /** The fault that was put in last. */
  public ElementFault last() {
    return faults.get(faults.size() - 1);
  }

  /** Whether the stop was performed and the fault waits for a second one unseen. */
  public boolean isHidden() {
    return detection == Detection.NEVER && !stopLost;
  }

  /** Whether the fault counts: nobody has put on record why it cannot happen. */
  public boolean counts() {
    return excluded == null;
  }
}
