package unimotus.core.settings;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingValue;

/**
 * Finds what has to be entered: what differs, what was not read and is not meant to stand as it
 * left the works, and what entering these rewrites.
 */
record NeededEntries(DriveSheet sheet, DriveMemory start, Map<String, SettingValue> target) {

  List<Entry> entries() {
    SettingGraph graph = new SettingGraph(sheet);
    Map<String, Entry> needed = new LinkedHashMap<>();
    Map<String, SettingValue> works = SettingGraph.works(sheet);
    List<String> open = new ArrayList<>(start.differing(target));
    start.unread(target).stream()
        .filter(c -> !Objects.equals(target.get(c), works.get(c)))
        .forEach(open::add);
    while (!open.isEmpty()) {
      String code = open.remove(0);
      if (needed.containsKey(code)) {
        continue;
      }
      SettingValue meant = meant(code);
      needed.put(code, new Entry(code, meant, Entry.Role.VALUE));
      graph
          .rewritten(code, meant)
          .forEach(
              (other, value) -> {
                if (target.containsKey(other) && !meant(other).equals(value)) {
                  open.add(other);
                }
              });
    }
    List<Entry> entries = new ArrayList<>(needed.values());
    locks(graph, needed).forEach((by, value) -> addLock(entries, needed, by, value));
    return entries;
  }

  private SettingValue meant(String code) {
    return Objects.requireNonNull(target.get(code), code);
  }

  private Map<String, String> locks(SettingGraph graph, Map<String, Entry> needed) {
    Map<String, String> locks = new LinkedHashMap<>();
    needed.keySet().forEach(c -> graph.lock(c).ifPresent(l -> locks.put(l.by(), l.value())));
    return locks;
  }

  private void addLock(List<Entry> entries, Map<String, Entry> needed, String by, String value) {
    SettingValue meant = meant(by);
    if (SettingGraph.isWord(meant, value)) {
      return;
    }
    if (!SettingGraph.isWord(start.values().get(by), value)) {
      entries.add(new Entry(by, new SettingValue.Choice(value), Entry.Role.UNLOCK));
    }
    needed.remove(by);
    entries.removeIf(e -> e.code().equals(by) && e.role() == Entry.Role.VALUE);
    entries.add(new Entry(by, meant, Entry.Role.LOCK_AGAIN));
  }
}
