package unimotus.core.settings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.machine.Project;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingRule;
import unimotus.core.sheet.SettingValue;

/** What an order of entry leaves out, opens, closes and resets, on drives of a few rules. */
class EntryChoicesTest {
  private static final SettingDefinition MACRO =
      Fixtures.choice("X1", SettingRole.MACRO, null, "a", "b");
  private static final SettingDefinition RESET =
      Fixtures.choice("X2", SettingRole.FACTORY_RESET, null, "none", "all", "keep-link");
  private static final SettingDefinition LEVEL =
      Fixtures.choice("X3", SettingRole.ACCESS_LEVEL, null, "basic", "extended");
  private static final SettingDefinition TUNING =
      Fixtures.choice("X4", SettingRole.AUTO_TUNE, null, "not done", "done");

  private static SettingValue choice(String word) {
    return new SettingValue.Choice(word);
  }

  private static SettingValue number(double value) {
    return new SettingValue.Number(value);
  }

  private static DriveMemory found(DriveSheet sheet, Map<String, SettingValue> otherwise) {
    Map<String, SettingValue> values = new LinkedHashMap<>(SettingGraph.works(sheet));
    values.putAll(otherwise);
    return DriveMemory.holding(sheet, values);
  }

  private static List<String> steps(EntrySheet entry) {
    return entry.entries().stream()
        .map(
            e ->
                e.getKey()
                    + "="
                    + (e.getValue() instanceof SettingValue.Choice c
                        ? c.value()
                        : ((SettingValue.Number) e.getValue()).value()))
        .toList();
  }

  /** Choosing the macro again would only rewrite what stands right: it is left as found. */
  @Test
  void aMacroThatWouldOnlyRewriteIsSpared() {
    DriveSheet sheet =
        Fixtures.driveSheet(
            List.of(MACRO), List.of(new SettingRule.Rewrites("X1", "a", Map.of("P7", number(1)))));
    EntrySheet entry =
        EntrySheet.of(found(sheet, Map.of("X1", choice("b"))), Map.of(), EntrySheet.Way.KEYPAD);
    assertThat(entry.steps()).isEmpty();
    assertThat(entry.spared()).containsExactly(MACRO);
    EntrySheet more =
        EntrySheet.of(
            found(sheet, Map.of("X1", choice("b"), "P9", choice("coast"))),
            Map.of(),
            EntrySheet.Way.KEYPAD);
    assertThat(steps(more)).containsExactly("P9=ramp");
    assertThat(more.spared()).containsExactly(MACRO);
  }

  /** Where it takes as many entries either way, the macro is entered as designed. */
  @Test
  void aMacroThatPutsRightAsMuchIsEntered() {
    DriveSheet sheet =
        Fixtures.driveSheet(
            List.of(MACRO), List.of(new SettingRule.Rewrites("X1", "a", Map.of("P7", number(5)))));
    EntrySheet entry =
        EntrySheet.of(
            found(sheet, Map.of("X1", choice("b"), "P7", number(9))),
            Map.of(),
            EntrySheet.Way.KEYPAD);
    assertThat(steps(entry)).containsExactly("X1=a");
    assertThat(entry.spared()).isEmpty();
  }

  /** A macro that was not read, or stands as designed, is nothing to spare. */
  @Test
  void aMacroThatStandsRightOrUnreadIsNotSpared() {
    DriveSheet sheet = Fixtures.driveSheet(List.of(MACRO), List.of());
    EntrySheet right =
        EntrySheet.of(found(sheet, Map.of("P9", choice("coast"))), Map.of(), EntrySheet.Way.KEYPAD);
    assertThat(steps(right)).containsExactly("P9=ramp");
    assertThat(right.spared()).isEmpty();
    EntrySheet unread =
        EntrySheet.of(
            DriveMemory.holding(sheet, Map.of("P9", choice("coast"))),
            Map.of(),
            EntrySheet.Way.KEYPAD);
    assertThat(unread.spared()).isEmpty();
  }

  /** The auto-tune is done by the drive, whatever was found of it. */
  @Test
  void anAutoTuneIsNoEntry() {
    DriveSheet sheet = Fixtures.driveSheet(List.of(TUNING), List.of());
    EntrySheet entry =
        EntrySheet.of(
            found(sheet, Map.of("X4", choice("done"), "P9", choice("coast"))),
            Map.of(),
            EntrySheet.Way.KEYPAD);
    assertThat(steps(entry)).containsExactly("P9=ramp");
  }

  /** Of two resets the one that keeps the link; what locks it is opened only where it is closed. */
  @Test
  void aResetThatKeepsTheLinkIsPreferred() {
    DriveSheet sheet =
        Fixtures.driveSheet(
            List.of(RESET, LEVEL),
            List.of(
                new SettingRule.Resets("X2", "all", false),
                new SettingRule.Resets("X2", "keep-link", true),
                new SettingRule.Locked(List.of("X2"), "X3", "extended")));
    EntrySheet closed =
        EntrySheet.afterReset(
                found(sheet, Map.of("P9", choice("coast"))),
                Map.of("P7", number(8)),
                EntrySheet.Way.KEYPAD)
            .orElseThrow();
    assertThat(steps(closed)).containsExactly("X3=extended", "X2=keep-link", "P7=8.0");
    EntrySheet open =
        EntrySheet.afterReset(
                found(sheet, Map.of("P9", choice("coast"), "X3", choice("extended"))),
                Map.of("P7", number(8)),
                EntrySheet.Way.KEYPAD)
            .orElseThrow();
    assertThat(steps(open)).containsExactly("X2=keep-link", "P7=8.0");
    assertThat(
            EntrySheet.afterReset(
                found(Fixtures.driveSheet(), Map.of()), Map.of(), EntrySheet.Way.KEYPAD))
        .as("a drive without a reset")
        .isEmpty();
  }

  /** What opens is drawn over what it opens, and what rewrites over what it rewrites. */
  @Test
  void bracketsStandOverWhatComesLater() {
    DriveSheet sheet =
        Fixtures.driveSheet(
            List.of(LEVEL),
            List.of(
                new SettingRule.Locked(List.of("P6"), "X3", "extended"),
                new SettingRule.Rewrites("P12", "three-wire", Map.of("P16", choice("start")))));
    Project project = Fixtures.withSetting(Fixtures.project(), "P6", 10.0);
    EntrySheet entry =
        EntrySheet.of(
            DriveMemory.works(sheet),
            Map.of("P6", number(10), "P12", choice("three-wire"), "P16", choice("enable")),
            EntrySheet.Way.COMMUNICATION);
    List<String> order = entry.steps().stream().map(s -> s.setting().code()).toList();
    Journey journey = Journey.of(Fixtures.assembly(project, sheet), entry);
    assertThat(journey.brackets()).hasSize(2);
    for (Journey.Bracket bracket : journey.brackets()) {
      String over = order.get(bracket.from());
      assertThat(over).isEqualTo(bracket.opens() ? "X3" : "P12");
      assertThat(bracket.to()).hasSize(1);
      assertThat(order.get(bracket.to().get(0))).isEqualTo(bracket.opens() ? "P6" : "P16");
    }
    assertThat(journey.others()).extracting(SettingDefinition::code).doesNotContain("P6", "P12");
  }

  /** By communication the link's own settings come last; on the keypad walking decides. */
  @Test
  void theLinkIsChangedLast() {
    DriveSheet sheet =
        Fixtures.driveSheet(List.of(), List.of(new SettingRule.OfTheLink(List.of("P1"))));
    Map<String, SettingValue> meant =
        Map.of("P1", number(7), "P7", number(8), "P20", number(60), "P9", choice("coast"));
    EntrySheet bus = EntrySheet.of(DriveMemory.works(sheet), meant, EntrySheet.Way.COMMUNICATION);
    assertThat(steps(bus)).last().isEqualTo("P1=7.0");
    assertThat(bus.presses()).isZero();
    assertThat(bus.steps()).allMatch(s -> s.keys().isEmpty());
    EntrySheet keypad = EntrySheet.of(DriveMemory.works(sheet), meant, EntrySheet.Way.KEYPAD);
    assertThat(steps(keypad)).first().isEqualTo("P1=7.0");
    assertThat(keypad.presses()).isPositive();
  }
}
