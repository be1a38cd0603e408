package unimotus.core.stops;

import java.util.Set;
import unimotus.core.wiring.WiringFault;

/**
 * One fault of one element.
 *
 * @param element the element in words, such as {@code guard switch 12}
 * @param device id of the device whose element it is; empty for a wire
 * @param touches ids of the devices it belongs to or runs between
 * @param channel the channel the element belongs to, from 1; 0 where it serves both
 * @param kind what happens to it
 * @param fault what that is in the circuit
 */
public record ElementFault(
    String element,
    String device,
    Set<String> touches,
    int channel,
    FaultKind kind,
    WiringFault fault) {

  /** Takes a copy. */
  public ElementFault {
    touches = Set.copyOf(touches);
  }

  /** The fault in words. */
  public String text() {
    return kind == FaultKind.CROSS_SHORT && fault instanceof WiringFault.CrossShort c
        ? "%s shorted to %s".formatted(c.one(), c.other())
        : "%s: %s".formatted(element, kind.label());
  }
}
