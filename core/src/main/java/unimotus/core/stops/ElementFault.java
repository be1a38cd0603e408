package unimotus.core.stops;

import java.util.Set;
import unimotus.core.wiring.WiringFault;

/**
 * One fault of one element.
 *
 * @param element the element in words, such as {@code guard switch 12}
 * @param key what the element is called in a project, whatever its name: a device with its terminal
 *     or a wire
 * @param device id of the device whose element it is; empty for a conductor
 * @param touches ids of the devices it belongs to or runs between, strips and fuses apart
 * @param kind what happens to it
 * @param fault what that is in the circuit
 */
public record ElementFault(
    String element,
    String key,
    String device,
    Set<String> touches,
    FaultKind kind,
    WiringFault fault) {

  /** Takes a copy. */
  public ElementFault {
    touches = Set.copyOf(touches);
  }

  /** The fault in words. */
  public String text() {
    return "%s: %s".formatted(element, kind.label());
  }
}
