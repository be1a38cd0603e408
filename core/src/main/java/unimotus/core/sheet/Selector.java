package unimotus.core.sheet;

import java.util.List;
import java.util.Map;
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

  /**
   * The position it stands in on a device.
   *
   * @param set positions that differ from the initial ones, by selector id
   * @return the one set; the initial one where none is, or one the switch does not have, which is
   *     told as a finding
   */
  public String positionIn(Map<String, String> set) {
    String position = set.get(id);
    return position != null && options.contains(position) ? position : initial;
  }

  /** This switch under another name. */
  public Selector withLabel(String next) {
    return new Selector(id, next, role, terminal, options, initial);
  }

  /**
   * This switch deciding something else. Where its positions are no words for that, it gets the
   * ones that are.
   */
  public Selector withRole(SelectorRole next) {
    boolean fits = next.words().isEmpty() || options.stream().allMatch(next::takes);
    return fits
        ? new Selector(id, label, next, terminal, options, initial)
        : new Selector(id, label, next, terminal, next.words(), next.words().get(0));
  }

  /** This switch on another terminal; null for the whole device. */
  public Selector withTerminal(@Nullable String next) {
    return new Selector(id, label, role, next, options, initial);
  }

  /**
   * This switch with other positions. It leaves the works as before where it can, else in the
   * first.
   */
  public Selector withOptions(List<String> next) {
    return new Selector(
        id, label, role, terminal, next, next.contains(initial) ? initial : next.get(0));
  }

  /** This switch leaving the works in another of its positions. */
  public Selector withInitial(String next) {
    return new Selector(id, label, role, terminal, options, next);
  }
}
