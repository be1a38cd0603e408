package unimotus.core.machine;

import java.util.Collection;
import java.util.Locale;
import java.util.regex.Pattern;

/** The rules of ids in a project. */
public final class Ids {
  private static final Pattern SHAPE = Pattern.compile("[a-z0-9][a-z0-9-]{0,63}");

  private Ids() {}

  /**
   * Returns {@code id} where it is well formed.
   *
   * @throws IllegalArgumentException naming the thing and the id
   */
  public static String check(String thing, String id) {
    if (!SHAPE.matcher(id).matches()) {
      throw new IllegalArgumentException(
          "%s id '%s' must be 1 to 64 lower-case letters, digits and hyphens".formatted(thing, id));
    }
    return id;
  }

  /** A free id made from {@code name}: lower case, hyphens, a number where it is taken. */
  public static String from(String name, Collection<String> taken) {
    String base =
        name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-+|-+$", "");
    String stem = base.isEmpty() ? "item" : base.substring(0, Math.min(base.length(), 48));
    String id = stem;
    for (int n = 2; taken.contains(id); n++) {
      id = stem + "-" + n;
    }
    return id;
  }
}
