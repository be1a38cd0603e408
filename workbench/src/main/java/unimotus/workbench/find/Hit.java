package unimotus.workbench.find;

import java.util.Locale;

/**
 * Something that can be gone to.
 *
 * @param kind what it is, such as {@code setting}
 * @param title what it is called
 * @param detail where it belongs, and what it stands at
 * @param target where it is looked at
 */
public record Hit(String kind, String title, String detail, Target target) {

  /** How well a few words fit, the greater the better; 0 where one of them is nowhere in it. */
  int fits(String[] words) {
    String name = title.toLowerCase(Locale.ROOT);
    String all = "%s %s %s".formatted(name, detail.toLowerCase(Locale.ROOT), kind);
    int sum = 0;
    for (String word : words) {
      if (!all.contains(word)) {
        return 0;
      }
      sum += fit(name, word);
    }
    return sum;
  }

  private static int fit(String name, String word) {
    if (name.equals(word)) {
      return 8;
    }
    if (name.startsWith(word)) {
      return 4;
    }
    return name.contains(word) ? 2 : 1;
  }
}
