package unimotus.core.sheet;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;

/** Settings of a sheet that rewrite or lock each other round a ring. */
public final class SettingRings {
  private SettingRings() {}

  /**
   * One ring, its first code repeated at the end; no order of entry keeps all of it.
   *
   * @return empty where there is none
   */
  public static List<String> first(DriveSheet sheet) {
    for (SettingDefinition start : sheet.settings()) {
      List<String> ring = wayBack(sheet, start.code());
      if (!ring.isEmpty()) {
        return ring;
      }
    }
    return List.of();
  }

  private static List<String> wayBack(DriveSheet sheet, String start) {
    Map<String, String> cameFrom = new LinkedHashMap<>();
    Deque<String> open = new ArrayDeque<>(List.of(start));
    while (!open.isEmpty()) {
      String at = open.removeFirst();
      for (String next : followers(sheet, at)) {
        if (next.equals(start)) {
          return path(cameFrom, start, at);
        }
        if (cameFrom.putIfAbsent(next, at) == null) {
          open.addLast(next);
        }
      }
    }
    return List.of();
  }

  private static List<String> path(Map<String, String> cameFrom, String start, String last) {
    List<String> ring = new ArrayList<>(List.of(start));
    for (String at = last; !at.equals(start); at = Objects.requireNonNull(cameFrom.get(at), at)) {
      ring.add(1, at);
    }
    ring.add(start);
    return ring;
  }

  /** What has to come after a setting: what it rewrites, and what it locks. */
  private static Set<String> followers(DriveSheet sheet, String code) {
    Set<String> after = new LinkedHashSet<>();
    for (SettingRule rule : sheet.rules()) {
      if (rule instanceof SettingRule.Rewrites r && r.code().equals(code)) {
        after.addAll(r.sets().keySet());
      }
      if (rule instanceof SettingRule.Locked l && l.by().equals(code)) {
        after.addAll(l.codes());
      }
    }
    after.remove(code);
    return after;
  }
}
