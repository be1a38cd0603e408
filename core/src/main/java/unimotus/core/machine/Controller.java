package unimotus.core.machine;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;

/**
 * A programmable controller of the line.
 *
 * @param id stable id
 * @param name what people call it
 * @param sheet id of its device sheet
 * @param selectors positions that differ from the sheet's initial ones, by selector id
 */
public record Controller(String id, String name, String sheet, Map<String, String> selectors)
    implements Device {

  /** Checks the id, sorts and freezes the selectors. */
  public Controller {
    Ids.check("controller", id);
    selectors = Collections.unmodifiableMap(new TreeMap<>(selectors));
  }

  @Override
  public Controller withSelector(String selectorId, String position) {
    Map<String, String> next = new TreeMap<>(selectors);
    next.put(selectorId, position);
    return new Controller(id, name, sheet, next);
  }
}
