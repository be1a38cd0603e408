package unimotus.core.stops;

import java.util.List;

/**
 * What one fault does, or two.
 *
 * @param faults the faults, in the order they happened
 * @param detection when the last one shows
 * @param stopLost whether torque stayed possible while the stop was demanded
 */
public record FaultResult(List<ElementFault> faults, Detection detection, boolean stopLost) {

  /** Takes a copy. */
  public FaultResult {
    faults = List.copyOf(faults);
  }

  /** The fault that was put in last. */
  public ElementFault last() {
    return faults.get(faults.size() - 1);
  }

  /** Whether the stop was performed and the fault waits for a second one unseen. */
  public boolean isHidden() {
    return detection == Detection.NEVER && !stopLost;
  }
}
