package unimotus.core.sheet;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A switch, a jumper or a channel choice with a few positions.
 *
 * @param id unique within the device
 * @param label what it is called on the device
 * @param role what it decides
 * @param terminal the terminal it belongs to, null where it serves the whole device
 * @param options the positions, at least one
 * @param initial the position it leaves the works in, one of {@code options}
 */
public record Selector(
    String id,
    String label,
    SelectorRole role,
    @Nullable String terminal,
    List<String> options,
    String initial) {

  /** Checks that the initial position is one of the options. */
  public Selector {
    options = List.copyOf(options);
    if (!options.contains(initial)) {
      throw new IllegalArgumentException(
          "selector %s: initial '%s' is not one of %s".formatted(id, initial, options));
    }
  }
}
