package unimotus.core.settings;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingValue;

/**
 * The settings of a drive as the way one goes to enter them.
 *
 * @param entry the entries in order
 * @param derived what follows from plate, reference, load and stop, by code
 * @param brackets which entry rewrites or opens which later ones
 * @param others settings that need no entry, in menu order
 */
public record Journey(
    EntrySheet entry,
    Map<String, DerivedSetting> derived,
    List<Bracket> brackets,
    List<SettingDefinition> others) {

  /**
   * One entry over later ones.
   *
   * @param from place of the entry in the order, from 0
   * @param to places of the later ones, rising
   * @param opens whether it opens them, else it rewrites them
   */
  public record Bracket(int from, List<Integer> to, boolean opens) {
    /** Takes a copy. */
    public Bracket {
      to = List.copyOf(to);
    }
  }

  /** Takes copies. */
  public Journey {
    brackets = List.copyOf(brackets);
    others = List.copyOf(others);
  }

  /**
   * The way from what a drive holds to its design.
   *
   * @param from the drive before
   * @throws IllegalArgumentException where settings rewrite each other in a ring
   */
  public static Journey of(AxisAssembly axis, DriveMemory from, EntrySheet.Way way) {
    return of(axis, EntrySheet.of(from, RecordChecks.designed(axis), way));
  }

  /** The way an entry sheet goes. */
  public static Journey of(AxisAssembly axis, EntrySheet entry) {
    DriveSheet sheet = axis.driveSheet();
    Map<String, DerivedSetting> derived = new LinkedHashMap<>();
    DerivedSettings.withReasons(axis).forEach(d -> derived.put(d.setting().code(), d));
    List<String> entered = entry.steps().stream().map(s -> s.setting().code()).toList();
    List<SettingDefinition> others =
        sheet.settings().stream().filter(s -> !entered.contains(s.code())).toList();
    return new Journey(entry, derived, brackets(entry), others);
  }

  /**
   * What follows from plate, reference and load where an entry says otherwise; empty where it
   * agrees or nothing follows. Such an entry is a doubt, not an instruction.
   */
  public Optional<DerivedSetting> contradiction(EntryStep step) {
    return Optional.ofNullable(derived.get(step.setting().code()))
        .filter(d -> !SettingComparison.isSame(d.value(), step.value()));
  }

  private static List<Bracket> brackets(EntrySheet entry) {
    SettingGraph graph = new SettingGraph(entry.sheet());
    List<Bracket> brackets = new ArrayList<>();
    for (int i = 0; i < entry.steps().size(); i++) {
      EntryStep step = entry.steps().get(i);
      String code = step.setting().code();
      Map<String, SettingValue> written = graph.rewritten(code, step.value());
      List<Integer> rewritten = new ArrayList<>();
      List<Integer> opened = new ArrayList<>();
      for (int j = i + 1; j < entry.steps().size(); j++) {
        String later = entry.steps().get(j).setting().code();
        if (written.containsKey(later)) {
          rewritten.add(j);
        }
        if (graph
            .lock(later)
            .filter(l -> l.by().equals(code) && SettingGraph.isWord(step.value(), l.value()))
            .isPresent()) {
          opened.add(j);
        }
      }
      add(brackets, i, rewritten, false);
      add(brackets, i, opened, true);
    }
    return brackets;
  }

  private static void add(List<Bracket> brackets, int from, List<Integer> to, boolean opens) {
    if (!to.isEmpty()) {
      brackets.add(new Bracket(from, to, opens));
    }
  }
}
