package unimotus.core.machine;

import java.util.HashMap;
import java.util.Map;

/**
 * Things sorted into groups by what joins them. Filled first, then asked; not thread-safe while it
 * is filled.
 */
final class Joined<T> {
  private final Map<T, T> parent = new HashMap<>();

  /** Joins the groups of two things. */
  void join(T one, T other) {
    T root = of(one);
    T to = of(other);
    parent.put(root, to);
    // What is pointed at directly keeps the ways short.
    parent.put(one, to);
  }

  /** The thing that stands for a group; a thing that nothing joined is a group of its own. */
  T of(T thing) {
    T at = thing;
    T above = parent.get(at);
    while (above != null && !above.equals(at)) {
      at = above;
      above = parent.get(at);
    }
    return at;
  }
}
