package unimotus.core.settings;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;

/**
 * The order in which settings are entered so that none is overwritten by a later one, and among
 * those orders one with little walking through the menu.
 *
 * @param sheet the drive's sheet
 * @param way how they are entered
 * @param steps the entries, in order; empty where the drive holds the values already
 * @param presses key presses of all walks; 0 by communication
 */
public record EntrySheet(DriveSheet sheet, Way way, List<EntryStep> steps, int presses) {

  /** How settings get into the drive. */
  public enum Way {
    KEYPAD,
    COMMUNICATION
  }

  /** Takes a copy. */
  public EntrySheet {
    steps = List.copyOf(steps);
  }

  /**
   * The entries that lead from one set of values to another.
   *
   * @param from what the drive holds; codes not given stand as they left the works
   * @param to what it shall hold; codes not given stay as they left the works
   * @throws IllegalArgumentException naming the ring, where settings rewrite each other so that no
   *     order keeps them all
   */
  public static EntrySheet of(
      DriveSheet sheet, Map<String, SettingValue> from, Map<String, SettingValue> to, Way way) {
    Map<String, SettingValue> target = target(sheet, to);
    DriveMemory start = DriveMemory.holding(sheet, from);
    List<Entry> entries = new NeededEntries(sheet, start, target).entries();
    EntryOrder order = new EntryOrder(sheet, entries, way);
    return numbered(sheet, way, start, order.sorted());
  }

  /** The auto-tune is no entry, and a reset falls back by itself. */
  private static Map<String, SettingValue> target(
      DriveSheet sheet, Map<String, SettingValue> given) {
    Map<String, SettingValue> target = SettingGraph.works(sheet);
    given.forEach((code, value) -> target.computeIfPresent(code, (c, was) -> value));
    sheet.setting(SettingRole.AUTO_TUNE).ifPresent(t -> target.remove(t.code()));
    sheet.setting(SettingRole.FACTORY_RESET).ifPresent(r -> target.remove(r.code()));
    return target;
  }

  /** Walks the order on a virtual drive, leaves out what stands right by then, and numbers it. */
  private static EntrySheet numbered(
      DriveSheet sheet, Way way, DriveMemory start, List<Entry> order) {
    SettingGraph graph = new SettingGraph(sheet);
    MenuWalk walk = new MenuWalk(sheet);
    List<EntryStep> steps = new ArrayList<>();
    DriveMemory at = start;
    String cursor = null;
    int presses = 0;
    for (Entry entry : order) {
      SettingValue was = at.values().get(entry.code());
      if (entry.value().equals(was)) {
        continue;
      }
      SettingDefinition setting = sheet.setting(entry.code()).orElseThrow();
      boolean keypad = way == Way.KEYPAD;
      boolean twice = graph.confirmSeconds(entry.code()) > 0;
      int ways = keypad ? walk.presses(cursor, entry.code()) : 0;
      steps.add(
          new EntryStep(
              steps.size() + 1,
              setting,
              was,
              entry.value(),
              keypad ? walk.keys(cursor, entry.code()) : "",
              ways,
              twice,
              graph.needsStandstill(entry.code()),
              procedure(sheet, setting, entry.value()),
              why(graph, entry, order)));
      presses += ways;
      cursor = entry.code();
      at = entered(at, entry, twice);
    }
    return new EntrySheet(sheet, way, steps, presses);
  }

  private static String procedure(DriveSheet sheet, SettingDefinition setting, SettingValue value) {
    return sheet.procedures().stream()
        .filter(p -> p.setting().equals(setting.code()))
        .findFirst()
        .map(p -> p.text(SettingText.shown(setting, value)))
        .orElse("");
  }

  private static DriveMemory entered(DriveMemory at, Entry entry, boolean twice) {
    DriveMemory.Entered first = at.enter(entry.code(), entry.value(), 0);
    return twice ? first.next().enter(entry.code(), entry.value(), 1).next() : first.next();
  }

  private static String why(SettingGraph graph, Entry entry, List<Entry> order) {
    if (entry.role() == Entry.Role.UNLOCK) {
      return "opens what is locked";
    }
    if (entry.role() == Entry.Role.LOCK_AGAIN) {
      return "put back when all else is entered";
    }
    List<String> others = order.stream().map(Entry::code).toList();
    List<String> rewritten =
        graph.rewritten(entry.code(), entry.value()).keySet().stream()
            .filter(c -> !c.equals(entry.code()) && others.contains(c))
            .toList();
    if (!rewritten.isEmpty()) {
      return "first, because it rewrites " + some(rewritten);
    }
    List<String> rewriters =
        order.stream()
            .filter(o -> !o.code().equals(entry.code()))
            .filter(o -> graph.rewritten(o.code(), o.value()).containsKey(entry.code()))
            .map(Entry::code)
            .toList();
    if (!rewriters.isEmpty()) {
      return "after %s, which rewrites it".formatted(some(rewriters));
    }
    return graph.lock(entry.code()).map(l -> "after " + l.by() + ", which locks it").orElse("");
  }

  private static String some(List<String> codes) {
    int most = 4;
    return codes.size() <= most
        ? String.join(", ", codes)
        : "%s and %d more"
            .formatted(String.join(", ", codes.subList(0, most)), codes.size() - most);
  }

  /** The entries as values by code, in order. */
  public List<Map.Entry<String, SettingValue>> entries() {
    return steps.stream().map(s -> Map.entry(s.setting().code(), s.value())).toList();
  }
}
