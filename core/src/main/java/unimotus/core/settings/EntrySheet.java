package unimotus.core.settings;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingRule;
import unimotus.core.sheet.SettingValue;

/**
 * The order in which settings are entered so that none is overwritten by a later one and the motor
 * is known before anything may start it; among those orders one with little walking through the
 * menu.
 *
 * @param sheet the drive's sheet
 * @param way how they are entered
 * @param steps the entries, in order; empty where the drive holds the values already
 * @param presses key presses of all walks; 0 by communication
 * @param unread settings that were not read and are meant to stand as they left the works: not
 *     entered, and not known to stand right
 * @param spared settings left as found because entering them would only rewrite what stands right
 * @param exposure while the drive may start on another motor's data; empty where it never does
 */
public record EntrySheet(
    DriveSheet sheet,
    Way way,
    List<EntryStep> steps,
    int presses,
    List<SettingDefinition> unread,
    List<SettingDefinition> spared,
    Optional<Exposure> exposure) {

  /** How settings get into the drive. */
  public enum Way {
    KEYPAD,
    COMMUNICATION
  }

  /** Takes copies. */
  public EntrySheet {
    steps = List.copyOf(steps);
    unread = List.copyOf(unread);
    spared = List.copyOf(spared);
  }

  /**
   * The entries that lead from what a drive holds to a set of values.
   *
   * @param from the drive before; what was not read of it is entered unless it is meant to stand as
   *     it left the works
   * @param to what it shall hold; codes not given stay as they left the works
   * @throws IllegalArgumentException naming the ring, where settings rewrite each other so that no
   *     order keeps them all
   */
  public static EntrySheet of(DriveMemory from, Map<String, SettingValue> to, Way way) {
    Map<String, SettingValue> target = target(from.sheet(), to);
    EntrySheet full = plain(from, target, way, List.of());
    SettingDefinition macro = from.sheet().setting(SettingRole.MACRO).orElse(null);
    SettingValue stands = macro == null ? null : from.values().get(macro.code());
    if (macro == null
        || stands == null
        || stands.equals(target.get(macro.code()))
        || from.values().equals(SettingGraph.works(from.sheet()))) {
      return full;
    }
    target.remove(macro.code());
    EntrySheet without = plain(from, target, way, List.of(macro));
    return without.steps().size() < full.steps().size() ? without : full;
  }

  private static EntrySheet plain(
      DriveMemory from, Map<String, SettingValue> target, Way way, List<SettingDefinition> spared) {
    List<Entry> entries = new NeededEntries(from.sheet(), from, target).entries();
    EntryWalk walk = new EntryWalk(from, target, way);
    EntrySheet first = walk.along(new EntryOrder(from, entries, way).sorted(), spared);
    // What another entry puts right by the way binds the order of the others no longer.
    List<Entry> made = entries.stream().filter(e -> first.isMade(e.code())).toList();
    if (made.size() == entries.size()) {
      return first;
    }
    EntrySheet second = walk.along(new EntryOrder(from, made, way).sorted(), spared);
    boolean holds = Rehearsal.of(from, second.entries(), target).losses().isEmpty();
    return holds && second.isBetterThan(first) ? second : first;
  }

  private boolean isMade(String code) {
    return steps.stream().anyMatch(s -> s.setting().code().equals(code));
  }

  private boolean isBetterThan(EntrySheet other) {
    return Comparator.<EntrySheet, Boolean>comparing(e -> e.exposure().isPresent())
            .thenComparing(e -> e.steps().size())
            .thenComparing(EntrySheet::presses)
            .compare(this, other)
        < 0;
  }

  /**
   * The other habit: everything back as it left the works first, then every entry of the design.
   * The link's own settings are kept where the drive can keep them.
   *
   * @return empty where the drive has no reset
   * @throws IllegalArgumentException as {@link #of}
   */
  public static Optional<EntrySheet> afterReset(
      DriveMemory from, Map<String, SettingValue> to, Way way) {
    DriveSheet sheet = from.sheet();
    Optional<SettingRule.Resets> reset =
        sheet.rules(SettingRule.Resets.class).stream()
            .filter(r -> sheet.setting(r.code()).orElse(null) instanceof ChoiceSetting)
            .min((a, b) -> Boolean.compare(b.keepsLink(), a.keepsLink()));
    return reset.map(
        r -> {
          Map<String, SettingValue> target = target(sheet, to);
          List<Entry> entries = new ArrayList<>();
          DriveMemory fresh = from;
          for (Entry first : resetting(from, r)) {
            entries.add(first);
            fresh = EntryWalk.entered(fresh, first);
          }
          entries.addAll(new NeededEntries(sheet, fresh, target).entries());
          return new EntryWalk(from, target, way)
              .along(new EntryOrder(fresh, entries, way).sorted(), List.of());
        });
  }

  /** The reset, and before it what opens it. */
  private static List<Entry> resetting(DriveMemory from, SettingRule.Resets reset) {
    List<Entry> entries = new ArrayList<>();
    new SettingGraph(from.sheet())
        .lock(reset.code())
        .map(l -> new Entry(l.by(), new SettingValue.Choice(l.value()), Entry.Role.RESET))
        .filter(open -> !open.value().equals(from.values().get(open.code())))
        .ifPresent(entries::add);
    entries.add(new Entry(reset.code(), new SettingValue.Choice(reset.when()), Entry.Role.RESET));
    return entries;
  }

  /** The auto-tune is no entry, and a reset falls back by itself. */
  private static Map<String, SettingValue> target(
      DriveSheet sheet, Map<String, SettingValue> given) {
    Map<String, SettingValue> target = SettingGraph.works(sheet);
    given.forEach((code, value) -> target.computeIfPresent(code, (c, was) -> value));
    sheet.settings().stream().filter(s -> !s.isKept()).forEach(s -> target.remove(s.code()));
    return target;
  }

  /** The entries as values by code, in order. */
  public List<Map.Entry<String, SettingValue>> entries() {
    return steps.stream().map(s -> Map.entry(s.setting().code(), s.value())).toList();
  }
}
