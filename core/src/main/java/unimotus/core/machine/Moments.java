package unimotus.core.machine;

import java.time.Instant;
import java.time.format.DateTimeParseException;

/** When something was entered: an ISO 8601 instant, so that every reader shows it in local time. */
public final class Moments {
  private Moments() {}

  /**
   * Returns {@code at} where it is an instant.
   *
   * @param thing what was entered then, for the message
   * @throws IllegalArgumentException naming the thing and the text
   */
  static String check(String thing, String at) {
    try {
      Instant.parse(at);
      return at;
    } catch (DateTimeParseException e) {
      throw new IllegalArgumentException(
          "%s: '%s' is no time such as 2026-01-31T14:05:00Z".formatted(thing, at));
    }
  }
}
