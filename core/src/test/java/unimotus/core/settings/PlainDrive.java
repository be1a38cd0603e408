package unimotus.core.settings;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * The oracle for the order of entry: a drive of words, as a plain table. It knows nothing of the
 * program's rules, graph or order; orders are tried one after the other.
 *
 * @param defaults word of each setting as new
 * @param rewrites {@code code=word} to what it writes
 * @param locked settings that can be entered only while {@code access} stands at {@code open}
 */
record PlainDrive(
    Map<String, String> defaults, Map<String, Map<String, String>> rewrites, List<String> locked) {
  static final List<String> WORDS = List.of("a", "b", "c");
  static final List<String> FREE = List.of("s1", "s2", "s3");

  /** A drive with a macro, a base, the motor's current, a command source and some settings. */
  static PlainDrive random(Random random) {
    Map<String, String> defaults = new TreeMap<>();
    FREE.forEach(s -> defaults.put(s, "a"));
    defaults.putAll(Map.of("macro", "a", "base", "a", "current", "a"));
    defaults.put("source", random.nextBoolean() ? "keypad" : "terminals");
    defaults.put("access", "closed");
    Map<String, Map<String, String>> rewrites = new TreeMap<>();
    // Only later ones are written, so that there is no ring.
    List<String> order = List.of("macro", "base", "s1", "current", "source", "s2", "s3");
    for (int from = 0; from < 3; from++) {
      for (String word : WORDS) {
        Map<String, String> sets = new TreeMap<>();
        for (String to : order.subList(from + 1, order.size())) {
          if (random.nextInt(3) == 0) {
            sets.put(to, word(to, random));
          }
        }
        if (!sets.isEmpty() && random.nextInt(3) > 0) {
          rewrites.put(order.get(from) + "=" + word, sets);
        }
      }
    }
    List<String> locked = new ArrayList<>(FREE);
    locked.removeIf(s -> random.nextInt(3) > 0);
    return new PlainDrive(defaults, rewrites, locked);
  }

  static String word(String code, Random random) {
    return switch (code) {
      case "source" -> random.nextBoolean() ? "keypad" : "terminals";
      case "access" -> random.nextBoolean() ? "open" : "closed";
      default -> WORDS.get(random.nextInt(WORDS.size()));
    };
  }

  Map<String, String> values(Random random) {
    Map<String, String> values = new TreeMap<>(defaults);
    values.replaceAll((c, was) -> random.nextInt(3) == 0 ? word(c, random) : was);
    return values;
  }

  /** The drive after an entry; null where it refuses. */
  Map<String, String> entered(Map<String, String> at, String code, String word) {
    if (locked.contains(code) && !"open".equals(at.get("access"))) {
      return null;
    }
    Map<String, String> next = new TreeMap<>(at);
    next.put(code, word);
    next.putAll(rewrites.getOrDefault(code + "=" + word, Map.of()));
    return next;
  }

  /** Whether it may start on another motor's data. */
  static boolean isExposed(Map<String, String> at, Map<String, String> target) {
    return !"keypad".equals(at.get("source")) && !target.get("current").equals(at.get("current"));
  }

  /**
   * The fewest entries to a target, where what stands right is never entered again; among the ways
   * on which the motor cannot start before it is known, if there are any.
   */
  int fewest(Map<String, String> start, Map<String, String> target) {
    int safe = isExposed(start, target) ? 0 : fewest(start, target, true);
    return safe > 0 || start.equals(target) ? safe : fewest(start, target, false);
  }

  private int fewest(Map<String, String> start, Map<String, String> target, boolean safely) {
    TreeSet<String> seen = new TreeSet<>();
    List<Map<String, String>> front = List.of(start);
    for (int entries = 0; entries < 12; entries++) {
      if (front.contains(target)) {
        return entries;
      }
      List<Map<String, String>> next = new ArrayList<>();
      for (Map<String, String> at : front) {
        for (String code : defaults.keySet()) {
          if (!target.get(code).equals(at.get(code))) {
            take(entered(at, code, target.get(code)), seen, next);
          }
        }
        take(entered(at, "access", "open"), seen, next);
      }
      if (safely) {
        next.removeIf(s -> isExposed(s, target));
      }
      front = next;
    }
    return 0;
  }

  private static void take(
      Map<String, String> at, TreeSet<String> seen, List<Map<String, String>> next) {
    if (at != null && seen.add(at.toString())) {
      next.add(at);
    }
  }

  /** Whether some order of just these entries reaches the target and never lets the motor start. */
  boolean isSafeSomehow(
      Map<String, String> at, Map<String, String> target, List<Map.Entry<String, String>> left) {
    if (left.isEmpty()) {
      return at.equals(target);
    }
    if (isExposed(at, target)) {
      return false;
    }
    for (Map.Entry<String, String> next : left) {
      Map<String, String> after = entered(at, next.getKey(), next.getValue());
      List<Map.Entry<String, String>> rest = new ArrayList<>(left);
      rest.remove(next);
      if (after != null && isSafeSomehow(after, target, rest)) {
        return true;
      }
    }
    return false;
  }
}
