package unimotus.core.settings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.Campaign;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.NumberSetting;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingRule;
import unimotus.core.sheet.SettingValue;

/**
 * The order of entry on every drive of a set: it leaves exactly what was designed. Each set is a
 * class of its own that gives its drives.
 */
public abstract class EntrySheetProperties {
  private static final int TRIES = Campaign.size(400, 40);

  /** One drive of the set. */
  protected abstract DriveSheet drive(String id);

  private static boolean isEntered(SettingDefinition setting) {
    return setting.role() != SettingRole.AUTO_TUNE && setting.role() != SettingRole.FACTORY_RESET;
  }

  /** Some settings at random values the drive takes; the others as they left the works. */
  private static Map<String, SettingValue> random(DriveSheet sheet, Random random) {
    Map<String, SettingValue> values = SettingGraph.works(sheet);
    for (SettingDefinition setting : sheet.settings()) {
      if (isEntered(setting) && random.nextInt(3) == 0) {
        values.put(setting.code(), value(setting, random));
      }
    }
    return values;
  }

  private static SettingValue value(SettingDefinition setting, Random random) {
    if (setting instanceof ChoiceSetting choice) {
      int which = random.nextInt(choice.options().size());
      return new SettingValue.Choice(choice.options().get(which).value());
    }
    NumberSetting number = (NumberSetting) setting;
    double span = number.maximum() - number.minimum();
    return new SettingValue.Number(number.minimum() + span * random.nextInt(101) / 100);
  }

  @ParameterizedTest
  @MethodSource("drives")
  void theProposedOrderLeavesExactlyWhatWasDesigned(DriveSheet sheet) {
    Random random = new Random(7);
    for (int i = 0; i < TRIES; i++) {
      Map<String, SettingValue> from = random(sheet, random);
      Map<String, SettingValue> to = random(sheet, random);
      for (EntrySheet.Way way : EntrySheet.Way.values()) {
        DriveMemory start = DriveMemory.holding(sheet, from);
        EntrySheet proposed = EntrySheet.of(start, to, way);
        proposed.spared().forEach(s -> to.put(s.code(), from.get(s.code())));
        Rehearsal rehearsal = Rehearsal.of(start, proposed.entries(), to);
        assertThat(rehearsal.losses()).as("try %d, %s", i, way).isEmpty();
        assertThat(rehearsal.turns())
            .allSatisfy(
                t -> assertThat(t.entered().outcome()).isEqualTo(DriveMemory.Outcome.TAKEN));
      }
    }
  }

  /** In a random order something is refused or wiped out, and each loss says by what. */
  @ParameterizedTest
  @MethodSource("drives")
  void aRandomOrderFailsAndSaysWhy(DriveSheet sheet) {
    Random random = new Random(11);
    int failed = 0;
    for (int i = 0; i < TRIES; i++) {
      Map<String, SettingValue> to = random(sheet, random);
      EntrySheet proposed = EntrySheet.of(DriveMemory.works(sheet), to, EntrySheet.Way.KEYPAD);
      List<Map.Entry<String, SettingValue>> shuffled = new ArrayList<>(proposed.entries());
      Collections.shuffle(shuffled, random);
      Rehearsal rehearsal = Rehearsal.of(DriveMemory.works(sheet), shuffled, to);
      failed += rehearsal.holds() ? 0 : 1;
      assertThat(rehearsal.losses()).allSatisfy(l -> assertThat(l.words()).isNotBlank());
      assertThat(rehearsal.losses())
          .filteredOn(l -> l.culprit() != null)
          .allSatisfy(l -> assertThat(l.words()).contains(l.culprit()));
    }
    assertThat(failed).isGreaterThan(TRIES / 2);
  }

  /** Common practice: a macro chosen late silently overwrites what was set before it. */
  @Test
  void aMacroChosenLateWipesOutTheCommandSource() {
    DriveSheet sheet = drive("terminal-drive-4kw");
    Map<String, SettingValue> meant = new LinkedHashMap<>(SettingGraph.works(sheet));
    meant.put("C41", new SettingValue.Choice("AI1"));
    meant.put("A01", new SettingValue.Choice("live-zero"));
    Rehearsal late =
        Rehearsal.of(
            DriveMemory.works(sheet),
            List.of(
                Map.entry("C41", new SettingValue.Choice("AI1")),
                Map.entry("A01", new SettingValue.Choice("live-zero"))),
            Map.of("C41", meant.get("C41")));
    assertThat(late.losses()).hasSize(1);
    assertThat(late.losses().get(0).code()).isEqualTo("C41");
    assertThat(late.losses().get(0).culprit()).isEqualTo("A01");
    List<EntryStep> steps =
        EntrySheet.of(DriveMemory.works(sheet), meant, EntrySheet.Way.KEYPAD).steps();
    List<String> codes = steps.stream().map(s -> s.setting().code()).toList();
    assertThat(codes.indexOf("A01")).isLessThan(codes.indexOf("C41"));
    assertThat(steps.get(codes.indexOf("A01")).why()).contains("rewrites").contains("C41");
  }

  @Test
  void nothingDifferentIsNothingToEnter() {
    DriveSheet sheet = drive("pump-drive-5k5");
    Map<String, SettingValue> works = SettingGraph.works(sheet);
    assertThat(EntrySheet.of(DriveMemory.works(sheet), works, EntrySheet.Way.KEYPAD).steps())
        .isEmpty();
  }

  @Test
  void whatIsLockedIsOpenedFirstAndClosedLast() {
    DriveSheet sheet = drive("terminal-drive-4kw");
    Map<String, SettingValue> to = Map.of("I75", new SettingValue.Choice("fault"));
    EntrySheet entry = EntrySheet.of(DriveMemory.works(sheet), to, EntrySheet.Way.KEYPAD);
    assertThat(entry.steps())
        .extracting(s -> s.setting().code())
        .containsExactly("A03", "I75", "A03");
    assertThat(entry.steps().get(0).why()).isEqualTo("opens what is locked");
  }

  /** By communication the link's own settings come last, or the connection is lost on the way. */
  @Test
  void byCommunicationTheLinkComesLast() {
    DriveSheet sheet = drive("fieldbus-drive-1k5");
    Map<String, SettingValue> to =
        Map.of(
            "701", new SettingValue.Number(12),
            "702", new SettingValue.Choice("115200"),
            "302", new SettingValue.Number(50),
            "205", new SettingValue.Number(2.1));
    List<String> codes =
        EntrySheet.of(DriveMemory.works(sheet), to, EntrySheet.Way.COMMUNICATION).steps().stream()
            .map(s -> s.setting().code())
            .toList();
    assertThat(codes.subList(0, 2)).containsExactlyInAnyOrder("302", "205");
    assertThat(codes.subList(2, 4)).containsExactlyInAnyOrder("701", "702");
  }

  /**
   * Against every order of a few settings that may be entered in any: none walks less. The data of
   * the motor are left out, for they go before what lets it start, however long the way.
   */
  @ParameterizedTest
  @MethodSource("drives")
  void fewEntriesAreWalkedInTheShortestWay(DriveSheet sheet) {
    Random random = new Random(3);
    List<SettingDefinition> free =
        sheet.settings().stream()
            .filter(s -> isEntered(s) && s.role() != SettingRole.ACCESS_LEVEL)
            .filter(s -> !s.isOfTheMotor())
            .filter(s -> new SettingGraph(sheet).rewrites(s.code()).isEmpty())
            .filter(s -> new SettingGraph(sheet).lock(s.code()).isEmpty())
            .filter(s -> !(s instanceof ChoiceSetting c && c.options().size() == 1))
            .toList();
    for (int i = 0; i < 20; i++) {
      List<SettingDefinition> some = new ArrayList<>(free);
      Collections.shuffle(some, random);
      Map<String, SettingValue> to = new LinkedHashMap<>();
      some.subList(0, 6).forEach(s -> to.put(s.code(), other(s)));
      EntrySheet entry = EntrySheet.of(DriveMemory.works(sheet), to, EntrySheet.Way.KEYPAD);
      int least = least(new MenuWalk(sheet), null, List.copyOf(to.keySet()));
      assertThat(entry.presses()).isEqualTo(least);
    }
  }

  private static SettingValue other(SettingDefinition setting) {
    if (setting instanceof ChoiceSetting choice) {
      return choice.options().stream()
          .map(o -> (SettingValue) new SettingValue.Choice(o.value()))
          .filter(v -> !v.equals(choice.initial()))
          .findFirst()
          .orElseThrow();
    }
    NumberSetting number = (NumberSetting) setting;
    return new SettingValue.Number(
        number.defaultValue() == number.maximum() ? number.minimum() : number.maximum());
  }

  private static int least(MenuWalk walk, String at, List<String> left) {
    if (left.isEmpty()) {
      return 0;
    }
    int best = Integer.MAX_VALUE;
    for (String next : left) {
      List<String> rest = new ArrayList<>(left);
      rest.remove(next);
      best = Math.min(best, walk.presses(at, next) + least(walk, next, rest));
    }
    return best;
  }

  @ParameterizedTest
  @EnumSource(EntrySheet.Way.class)
  void settingsThatRewriteEachOtherAreRefusedByName(EntrySheet.Way way) {
    DriveSheet sheet = drive("terminal-drive-4kw");
    List<SettingRule> rules = new ArrayList<>(sheet.rules());
    rules.add(new SettingRule.Rewrites("R30", null, Map.of("R31", new SettingValue.Number(7))));
    rules.add(new SettingRule.Rewrites("R31", null, Map.of("R30", new SettingValue.Number(7))));
    DriveSheet odd = sheet.withRules(rules);
    Map<String, SettingValue> to =
        Map.of("R30", new SettingValue.Number(3), "R31", new SettingValue.Number(4));
    assertThatThrownBy(() -> EntrySheet.of(DriveMemory.works(odd), to, way))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("R30 → R31 → R30");
  }
}
