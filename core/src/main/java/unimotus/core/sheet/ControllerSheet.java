package unimotus.core.sheet;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A class of programmable controller with its points.
 *
 * @param id stable id
 * @param name class of the device in words
 * @param terminals points and supply terminals
 * @param selectors channel ranges and raw full scales
 * @param converterBits resolution of the analog converters, 8 to 24 bit
 * @param addresses what the numbers of its addresses count; null where the sheet is silent
 */
public record ControllerSheet(
    String id,
    String name,
    List<Terminal> terminals,
    List<Selector> selectors,
    int converterBits,
    @Nullable AddressCounting addresses)
    implements DeviceSheet {

  /** A controller whose sheet is silent about its addresses. */
  public ControllerSheet(
      String id,
      String name,
      List<Terminal> terminals,
      List<Selector> selectors,
      int converterBits) {
    this(id, name, terminals, selectors, converterBits, null);
  }

  /** Copies the lists and checks the converter. */
  public ControllerSheet {
    terminals = List.copyOf(terminals);
    selectors = List.copyOf(selectors);
    Bits.check(id, converterBits);
  }

  @Override
  public ControllerSheet withIdentity(String nextId, String nextName) {
    return new ControllerSheet(nextId, nextName, terminals, selectors, converterBits, addresses);
  }

  @Override
  public ControllerSheet withTerminals(List<Terminal> next) {
    return new ControllerSheet(id, name, next, selectors, converterBits, addresses);
  }

  @Override
  public ControllerSheet withSelectors(List<Selector> next) {
    return new ControllerSheet(id, name, terminals, next, converterBits, addresses);
  }
}
