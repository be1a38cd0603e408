package unimotus.core.sheet;

import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * One terminal of a device.
 *
 * @param id the marking on the device, unique within it, such as {@code DI1}
 * @param label what it is for, in words
 * @param role what it does electrically
 * @param common the terminal its circuit closes to: the group's common of an input, the supply of a
 *     sourcing output, 0 V of a sinking one, the other end of a contact; null where it has none
 * @param electrical figures of the electrical model by name with the unit in it, such as {@code
 *     leakageAmperes}; possibly empty
 */
public record Terminal(
    String id,
    String label,
    TerminalRole role,
    @Nullable String common,
    Map<String, Double> electrical) {

  /** Sorts and freezes the electrical figures. */
  public Terminal {
    electrical = java.util.Collections.unmodifiableMap(new TreeMap<>(electrical));
  }

  /** The figure called {@code name}, or {@code otherwise} where the sheet gives none. */
  public double electrical(String name, double otherwise) {
    return electrical.getOrDefault(name, otherwise);
  }
}
