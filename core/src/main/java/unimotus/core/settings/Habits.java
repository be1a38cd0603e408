package unimotus.core.settings;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingRule;
import unimotus.core.sheet.SettingValue;

/**
 * The two habits of bringing a drive to its design: enter the difference from what was found, or
 * reset it and enter everything (common practice).
 *
 * @param difference from what the drive holds
 * @param afterReset over a reset; empty where the drive has none or is as new anyway
 * @param before the drive before
 */
public record Habits(EntrySheet difference, Optional<EntrySheet> afterReset, DriveMemory before) {

  /**
   * Both for an axis.
   *
   * @throws IllegalArgumentException where settings rewrite each other in a ring
   */
  public static Habits of(AxisAssembly axis, DriveMemory before, EntrySheet.Way way) {
    Map<String, SettingValue> meant = RecordChecks.designed(axis);
    boolean isNew = before.values().equals(SettingGraph.works(before.sheet()));
    return new Habits(
        EntrySheet.of(before, meant, way),
        isNew ? Optional.empty() : EntrySheet.afterReset(before, meant, way),
        before);
  }

  /** What entering the difference leaves open; a sentence each, possibly none. */
  public List<String> risksOfDifference() {
    List<String> risks = new ArrayList<>();
    if (!difference.unread().isEmpty()) {
      risks.add(
          "%d settings were not read and are not entered: their values are not known."
              .formatted(difference.unread().size()));
    }
    difference.exposure().ifPresent(e -> risks.add(e.text()));
    return risks;
  }

  /** What a reset puts at stake; a sentence each, empty where the drive has none. */
  public List<String> risksOfReset() {
    List<String> risks = new ArrayList<>();
    if (afterReset.isEmpty()) {
      return risks;
    }
    EntrySheet sheet = afterReset.get();
    before
        .sheet()
        .setting(SettingRole.AUTO_TUNE)
        .filter(t -> !t.initial().equals(before.values().get(t.code())))
        .ifPresent(t -> risks.add("An auto-tune done before is lost: repeat it."));
    boolean keepsLink =
        before.sheet().rules(SettingRule.Resets.class).stream()
            .anyMatch(SettingRule.Resets::keepsLink);
    if (!keepsLink && sheet.way() == EntrySheet.Way.COMMUNICATION) {
      risks.add("The link's own settings are reset too: the connection is lost.");
    }
    sheet.exposure().ifPresent(e -> risks.add(e.text()));
    return risks;
  }
}
