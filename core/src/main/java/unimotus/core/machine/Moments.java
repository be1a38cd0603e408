package unimotus.core.machine;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * When something was entered: an ISO 8601 instant to the second, such as {@code
 * 2026-01-31T14:05:00Z}, so that every reader can show it in local time.
 */
final class Moments {
  private static final Pattern INSTANT =
      Pattern.compile(
          "(\\d{4})-(0[1-9]|1[0-2])-([0-2]\\d|3[01])T([01]\\d|2[0-3]):[0-5]\\d:[0-5]\\d(\\.\\d{1,9})?Z");

  private static final int[] DAYS = {31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31};

  private Moments() {}

  /**
   * Returns {@code at} where it is an instant.
   *
   * @param thing what was entered then, for the message
   * @throws IllegalArgumentException naming the thing and the text
   */
  static String check(String thing, String at) {
    Matcher instant = INSTANT.matcher(at);
    if (!instant.matches() || !isDay(instant)) {
      throw new IllegalArgumentException(
          "%s: '%s' is no time such as 2026-01-31T14:05:00Z".formatted(thing, at));
    }
    return at;
  }

  private static boolean isDay(Matcher instant) {
    int year = Integer.parseInt(instant.group(1));
    int month = Integer.parseInt(instant.group(2));
    int day = Integer.parseInt(instant.group(3));
    boolean leap = year % 4 == 0 && (year % 100 != 0 || year % 400 == 0);
    return day >= 1 && day <= DAYS[month - 1] + (leap && month == 2 ? 1 : 0);
  }
}
