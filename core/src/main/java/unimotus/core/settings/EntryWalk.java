package unimotus.core.settings;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingValue;

/** Walks an order on a virtual drive, leaves out what stands right by then, and numbers it. */
final class EntryWalk {
  private final DriveMemory start;
  private final Map<String, SettingValue> target;
  private final EntrySheet.Way way;
  private final DriveSheet sheet;
  private final SettingGraph graph;
  private final MenuWalk menu;

  EntryWalk(DriveMemory start, Map<String, SettingValue> target, EntrySheet.Way way) {
    this.start = start;
    this.target = target;
    this.way = way;
    this.sheet = start.sheet();
    this.graph = new SettingGraph(sheet);
    this.menu = new MenuWalk(sheet);
  }

  EntrySheet along(List<Entry> order, List<SettingDefinition> spared) {
    EntrySheet walked = walk(order, spared);
    List<Entry> needed = order.stream().filter(e -> !isIdle(e, walked.steps())).toList();
    return needed.size() < order.size() ? walk(needed, spared) : walked;
  }

  /** Whether an entry opens, or closes again, what another one has put right by then. */
  private boolean isIdle(Entry entry, List<EntryStep> steps) {
    boolean opens = entry.role() == Entry.Role.UNLOCK;
    boolean closes =
        entry.role() == Entry.Role.LOCK_AGAIN
            && !start.values().containsKey(entry.code())
            && entry.value().equals(sheet.setting(entry.code()).orElseThrow().initial());
    return (opens || closes)
        && steps.stream()
            .map(s -> graph.lock(s.setting().code()))
            .noneMatch(l -> l.filter(x -> x.by().equals(entry.code())).isPresent());
  }

  private EntrySheet walk(List<Entry> order, List<SettingDefinition> spared) {
    List<EntryStep> steps = new ArrayList<>();
    List<DriveMemory> stands = new ArrayList<>(List.of(start));
    DriveMemory at = start;
    int presses = 0;
    for (Entry entry : order) {
      SettingValue was = at.values().get(entry.code());
      if (entry.value().equals(was)) {
        continue;
      }
      String cursor = steps.isEmpty() ? null : steps.get(steps.size() - 1).setting().code();
      EntryStep step = step(steps.size() + 1, entry, was, cursor, order);
      steps.add(step);
      presses += step.presses();
      at = entered(at, entry);
      stands.add(at);
    }
    List<SettingDefinition> unread =
        at.unread(target).stream().map(c -> sheet.setting(c).orElseThrow()).toList();
    return new EntrySheet(sheet, way, steps, presses, unread, spared, Exposure.of(stands, target));
  }

  private EntryStep step(
      int number,
      Entry entry,
      @Nullable SettingValue was,
      @Nullable String cursor,
      List<Entry> order) {
    SettingDefinition setting = sheet.setting(entry.code()).orElseThrow();
    boolean keypad = way == EntrySheet.Way.KEYPAD;
    return new EntryStep(
        number,
        setting,
        was,
        entry.value(),
        keypad ? menu.keys(cursor, entry.code()) : "",
        keypad ? menu.presses(cursor, entry.code()) : 0,
        graph.confirmSeconds(entry.code()) > 0,
        graph.needsStandstill(entry.code()),
        procedure(setting, entry.value()),
        why(entry, order));
  }

  private String procedure(SettingDefinition setting, SettingValue value) {
    return sheet.procedures().stream()
        .filter(p -> p.setting().equals(setting.code()))
        .findFirst()
        .map(p -> p.text(SettingText.shown(setting, value)))
        .orElse("");
  }

  /** A drive after an entry, confirmed where it wants that. */
  static DriveMemory entered(DriveMemory at, Entry entry) {
    DriveMemory.Entered first = at.enter(entry.code(), entry.value(), 0);
    return first.outcome() == DriveMemory.Outcome.ASKED_AGAIN
        ? first.next().enter(entry.code(), entry.value(), 1).next()
        : first.next();
  }

  private String why(Entry entry, List<Entry> order) {
    return switch (entry.role()) {
      case RESET ->
          sheet.setting(entry.code()).orElseThrow().isKept()
              ? "opens the reset"
              : "first: everything else at its factory default";
      case UNLOCK -> "opens what is locked";
      case LOCK_AGAIN -> "put back when all else is entered";
      case VALUE -> whyHere(entry, order);
    };
  }

  private String whyHere(Entry entry, List<Entry> order) {
    List<String> others = order.stream().map(Entry::code).toList();
    List<String> rewritten =
        graph.rewritten(entry.code(), entry.value()).keySet().stream()
            .filter(c -> !c.equals(entry.code()) && others.contains(c))
            .toList();
    if (!rewritten.isEmpty()) {
      return "before what it rewrites: " + some(rewritten);
    }
    List<String> rewriters =
        order.stream()
            .filter(o -> o.role() != Entry.Role.RESET && !o.code().equals(entry.code()))
            .filter(o -> graph.rewritten(o.code(), o.value()).containsKey(entry.code()))
            .map(Entry::code)
            .toList();
    if (!rewriters.isEmpty()) {
      return "after %s, which rewrites it".formatted(some(rewriters));
    }
    return graph
        .lock(entry.code())
        .map(l -> "after " + l.by() + ", which locks it")
        .or(() -> beforeStart(entry, order))
        .orElse("");
  }

  private Optional<String> beforeStart(Entry entry, List<Entry> order) {
    return sheet.setting(entry.code()).orElseThrow().isOfTheMotor()
        ? order.subList(order.indexOf(entry), order.size()).stream()
            .filter(o -> o.role() == Entry.Role.VALUE && graph.letsStart(o.code(), o.value()))
            .map(o -> "the motor first: %s lets it start".formatted(o.code()))
            .findFirst()
        : Optional.empty();
  }

  private static String some(List<String> codes) {
    int most = 4;
    return codes.size() <= most
        ? String.join(", ", codes)
        : "%s and %d more"
            .formatted(String.join(", ", codes.subList(0, most)), codes.size() - most);
  }
}
