package unimotus.core.machine;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;

/**
 * A part of the panel or the machine with terminals of its own: a relay, a contactor, a selector
 * switch, a potentiometer, a supply, a terminal strip.
 *
 * @param id stable id
 * @param name what people call it
 * @param sheet id of its device sheet
 * @param selectors jumper positions that differ from the sheet's initial ones, by selector id
 */
public record Part(String id, String name, String sheet, Map<String, String> selectors)
    implements Device {

  /** Checks the id, sorts and freezes the selectors. */
  public Part {
    Ids.check("part", id);
    selectors = Collections.unmodifiableMap(new TreeMap<>(selectors));
  }

  @Override
  public Part withSelector(String selectorId, String position) {
    Map<String, String> next = new TreeMap<>(selectors);
    next.put(selectorId, position);
    return new Part(id, name, sheet, next);
  }
}
