package unimotus.core.settings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;
import unimotus.core.Fixtures;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingRule;
import unimotus.core.sheet.SettingValue;

/**
 * The order of entry against a plain table and a search over all orders, on drives made at random:
 * with rules that rewrite and lock, found as anything, read in part. Figures in docs/truth.md.
 */
class EntryAdversaryTest {
  private static final int DRIVES = Campaign.size(20_000, 1_000, 400);

  private static DriveSheet sheet(PlainDrive plain) {
    List<SettingDefinition> settings = new ArrayList<>();
    plain.defaults().forEach((code, word) -> settings.add(setting(code, word)));
    List<SettingRule> rules = new ArrayList<>();
    plain
        .rewrites()
        .forEach(
            (by, sets) -> {
              String[] halves = by.split("=");
              rules.add(new SettingRule.Rewrites(halves[0], halves[1], values(sets)));
            });
    if (!plain.locked().isEmpty()) {
      rules.add(new SettingRule.Locked(plain.locked(), "access", "open"));
    }
    return Fixtures.driveSheetOf(settings, rules);
  }

  private static SettingDefinition setting(String code, String word) {
    SettingRole role =
        switch (code) {
          case "macro" -> SettingRole.MACRO;
          case "base" -> SettingRole.BASE_FREQUENCY;
          case "current" -> SettingRole.MOTOR_CURRENT;
          case "source" -> SettingRole.COMMAND_SOURCE;
          case "access" -> SettingRole.ACCESS_LEVEL;
          default -> SettingRole.TORQUE_CURVE;
        };
    List<String> words =
        switch (code) {
          case "source" -> List.of("keypad", "terminals");
          case "access" -> List.of("closed", "open");
          default -> PlainDrive.WORDS;
        };
    List<ChoiceSetting.Option> options =
        words.stream().map(w -> new ChoiceSetting.Option(w, w)).toList();
    return new ChoiceSetting(code, code, "all", role, null, options, word);
  }

  private static Map<String, SettingValue> values(Map<String, String> words) {
    Map<String, SettingValue> values = new LinkedHashMap<>();
    words.forEach((code, word) -> values.put(code, new SettingValue.Choice(word)));
    return values;
  }

  private static List<Map.Entry<String, String>> words(EntrySheet entry) {
    return entry.steps().stream()
        .map(s -> Map.entry(s.setting().code(), ((SettingValue.Choice) s.value()).value()))
        .toList();
  }

  /**
   * It ends at the design, with no more entries than any way needs – one more at most where that
   * shortens a stretch in which the motor could start on data that are not its own – and has no
   * such stretch wherever some order of these entries has none.
   */
  @Test
  void theOrderHoldsAgainstTheSearch() {
    List<String> wrong = new ArrayList<>();
    int exposed = 0;
    int longer = 0;
    for (int i = 0; i < DRIVES; i++) {
      Random random = new Random(i * 31L + 7);
      PlainDrive plain = PlainDrive.random(random);
      Map<String, String> start = plain.values(random);
      Map<String, String> target = plain.values(random);
      DriveMemory found = DriveMemory.holding(sheet(plain), values(start));
      EntrySheet entry = EntrySheet.of(found, values(target), EntrySheet.Way.KEYPAD);
      if (!entry.spared().isEmpty()) {
        target.put("macro", start.get("macro"));
      }
      Map<String, String> at = start;
      boolean open = false;
      for (Map.Entry<String, String> step : words(entry)) {
        open |= PlainDrive.isExposed(at, target);
        at = at == null ? null : plain.entered(at, step.getKey(), step.getValue());
      }
      int fewest = plain.fewest(start, target);
      exposed += open ? 1 : 0;
      boolean safe = !open || !plain.isSafeSomehow(start, target, words(entry));
      int more = words(entry).size() - fewest;
      longer += more > (open ? 1 : 0) ? 1 : 0;
      if (!target.equals(at) || more > 2 || open != entry.exposure().isPresent() || !safe) {
        wrong.add(
            "%d: %s from %s to %s: %s, fewest %d, exposed %s, told %s, safe %s"
                .formatted(
                    i, plain, start, target, words(entry), fewest, open, entry.exposure(), safe));
      }
    }
    System.out.printf(
        "order of entry against a search over all orders: %d drives, %d exposed, %d with an entry too many, %d differ%n",
        DRIVES, exposed, longer, wrong.size());
    assertThat(wrong.stream().limit(5).toList()).isEmpty();
    assertThat(longer).isLessThanOrEqualTo(1 + DRIVES / 5_000);
  }
}
