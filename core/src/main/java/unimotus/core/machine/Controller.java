package unimotus.core.machine;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * A programmable controller of the line.
 *
 * @param id stable id
 * @param name what people call it
 * @param sheet id of its device sheet
 * @param selectors positions that differ from the sheet's initial ones, by selector id
 * @param addresses where the program finds its channels, by terminal; possibly none known yet
 */
public record Controller(
    String id,
    String name,
    String sheet,
    Map<String, String> selectors,
    Map<String, IoAddress> addresses)
    implements Device {

  /** A controller whose addresses are not known yet. */
  public Controller(String id, String name, String sheet, Map<String, String> selectors) {
    this(id, name, sheet, selectors, Map.of());
  }

  /** Checks the id, sorts and freezes the selectors. */
  public Controller {
    Ids.check("controller", id);
    selectors = Collections.unmodifiableMap(new TreeMap<>(selectors));
    addresses = Collections.unmodifiableMap(new TreeMap<>(addresses));
  }

  /** This controller with a channel at an address; null for none. */
  public Controller withAddress(String terminal, @Nullable IoAddress address) {
    Map<String, IoAddress> next = new TreeMap<>(addresses);
    if (address == null) {
      next.remove(terminal);
    } else {
      next.put(terminal, address);
    }
    return new Controller(id, name, sheet, selectors, next);
  }

  @Override
  public Controller withSelector(String selectorId, String position) {
    Map<String, String> next = new TreeMap<>(selectors);
    next.put(selectorId, position);
    return new Controller(id, name, sheet, next, addresses);
  }
}
