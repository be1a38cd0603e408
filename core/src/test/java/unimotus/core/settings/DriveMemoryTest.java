package unimotus.core.settings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.settings.DriveMemory.Entered;
import unimotus.core.settings.DriveMemory.Outcome;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingRule;
import unimotus.core.sheet.SettingValue;

/** What a drive does with an entry: takes it, refuses it with a reason, waits, rewrites others. */
class DriveMemoryTest {
  private static final DriveSheet SHEET =
      Fixtures.driveSheet(
          List.of(
              Fixtures.choice("X1", SettingRole.FACTORY_RESET, null, "none", "all"),
              Fixtures.choice("X2", SettingRole.ACCESS_LEVEL, null, "basic", "extended"),
              Fixtures.choice("X3", SettingRole.AUTO_TUNE, null, "not done", "done")),
          List.of(
              new SettingRule.Resets("X1", "all", false),
              new SettingRule.Locked(List.of("P6"), "X2", "extended"),
              new SettingRule.AtStandstill(List.of("P2")),
              new SettingRule.Confirmed(List.of("P9"), 5),
              new SettingRule.SpoilsTuning(List.of("P1")),
              new SettingRule.Rewrites("P12", "three-wire", Map.of("P16", choice("start")))));

  private static SettingValue choice(String word) {
    return new SettingValue.Choice(word);
  }

  private static SettingValue number(double value) {
    return new SettingValue.Number(value);
  }

  private static DriveMemory works() {
    return DriveMemory.works(SHEET);
  }

  private static void assertRefused(Entered entered, String words) {
    assertThat(entered.outcome()).isEqualTo(Outcome.REFUSED);
    assertThat(entered.words()).isEqualTo(words);
    assertThat(entered.rewritten()).isEmpty();
  }

  @Test
  void whatItDoesNotTakeIsRefusedWithItsRange() {
    assertRefused(works().enter("P99", number(1), 0), "the drive has no setting P99");
    Entered over = works().enter("P2", number(14), 0);
    assertThat(over.outcome()).isEqualTo(Outcome.REFUSED);
    assertThat(over.words()).startsWith("P2 takes ").contains("not 14");
    assertThat(over.next()).isEqualTo(works());
    assertThat(works().enter("P9", choice("brake"), 0).words()).contains("P9 takes ");
  }

  @Test
  void whatIsLockedOpensWithItsLock() {
    assertRefused(works().enter("P6", number(10), 0), "P6 is locked until X2 is extended");
    DriveMemory open = works().enter("X2", choice("extended"), 0).next();
    assertThat(open.enter("P6", number(10), 0).outcome()).isEqualTo(Outcome.TAKEN);
  }

  @Test
  void whatWantsStandstillIsRefusedWhileItTurns() {
    DriveMemory turning = works().withTurning(true);
    assertThat(turning.turning()).isTrue();
    assertRefused(turning.enter("P2", number(6), 0), "P2 can be entered only at standstill");
    assertThat(turning.enter("P7", number(6), 0).outcome()).isEqualTo(Outcome.TAKEN);
    assertThat(turning.withTurning(false).enter("P2", number(6), 0).outcome())
        .isEqualTo(Outcome.TAKEN);
  }

  @Test
  void anAutoTuneIsShownNotEntered() {
    assertRefused(works().enter("X3", choice("done"), 0), "X3 is shown by the drive, not entered");
  }

  /** The second entry counts within its time, of the same setting and value only. */
  @Test
  void aConfirmedSettingIsEnteredTwice() {
    Entered first = works().enter("P9", choice("coast"), 10);
    assertThat(first.outcome()).isEqualTo(Outcome.ASKED_AGAIN);
    assertThat(first.words()).isEqualTo("enter the same again within 5 s");
    assertThat(first.next().values()).isEqualTo(works().values());
    assertThat(first.next().enter("P9", choice("coast"), 15).outcome()).isEqualTo(Outcome.TAKEN);
    assertThat(first.next().enter("P9", choice("coast"), 15.1).outcome())
        .isEqualTo(Outcome.ASKED_AGAIN);
    assertThat(first.next().enter("P9", choice("ramp"), 11).outcome())
        .isEqualTo(Outcome.ASKED_AGAIN);
    DriveMemory between = first.next().enter("P7", number(8), 11).next();
    assertThat(between.enter("P9", choice("coast"), 12).outcome()).isEqualTo(Outcome.ASKED_AGAIN);
  }

  @Test
  void whatChangesBesidesIsTold() {
    assertThat(works().enter("P12", choice("three-wire"), 0).rewritten())
        .isEqualTo(Map.of("P16", choice("start")));
    DriveMemory so = works().enter("P16", choice("start"), 0).next();
    assertThat(so.enter("P12", choice("three-wire"), 0).rewritten()).as("stands so").isEmpty();
    assertThat(works().enter("P12", choice("two-wire"), 0).rewritten()).isEmpty();
  }

  @Test
  void anotherMotorSpoilsTheAutoTune() {
    Map<String, SettingValue> values = new LinkedHashMap<>(works().values());
    values.put("X3", choice("done"));
    DriveMemory tuned = DriveMemory.holding(SHEET, values);
    assertThat(tuned.enter("P1", number(7), 0).rewritten())
        .isEqualTo(Map.of("X3", choice("not done")));
    assertThat(tuned.enter("P1", number(8.05), 0).rewritten()).as("the same again").isEmpty();
    assertThat(works().enter("P1", number(7), 0).rewritten()).as("none was done").isEmpty();
  }

  @Test
  void unreadAndDifferingAreToldApart() {
    DriveMemory part = DriveMemory.holding(SHEET, Map.of("P1", number(7), "P2", number(4)));
    assertThat(part.differing(works().values())).containsExactly("P1");
    assertThat(part.unread(works().values()))
        .contains("P3", "P9")
        .doesNotContain("P1", "P2", "X1", "X3");
    assertThat(part.unread(Map.of())).isEmpty();
    assertThat(part.differing(Map.of())).isEmpty();
  }

  private static List<String> reasons(DriveMemory from, Map<String, SettingValue> to) {
    List<String> told = new ArrayList<>();
    EntrySheet.of(from, to, EntrySheet.Way.KEYPAD)
        .steps()
        .forEach(s -> told.add(s.setting().code() + ": " + s.why()));
    return told;
  }

  /** Each entry says why it stands where it stands. */
  @Test
  void theOrderGivesItsReasons() {
    assertThat(reasons(works(), Map.of("P6", number(10), "P7", number(9))))
        .containsExactlyInAnyOrder(
            "X2: opens what is locked",
            "P6: after X2, which locks it",
            "X2: put back when all else is entered",
            "P7: ");
    assertThat(reasons(works(), Map.of("P12", choice("three-wire"), "P16", choice("enable"))))
        .containsExactly("P12: before what it rewrites: P16", "P16: after P12, which rewrites it");
    assertThat(
            reasons(
                DriveMemory.holding(SHEET, keypad()),
                Map.of("P2", number(6), "P10", choice("terminals"))))
        .containsSubsequence("P2: the motor first: P10 lets it start", "P10: ");
  }

  private static Map<String, SettingValue> keypad() {
    Map<String, SettingValue> values = new LinkedHashMap<>(works().values());
    values.put("P10", choice("keypad"));
    return values;
  }

  /** A level that stands open is closed again, one that nobody needs is left alone. */
  @Test
  void locksAreOpenedOnlyForWhatTheyLock() {
    assertThat(reasons(works(), Map.of("P7", number(9)))).containsExactly("P7: ");
    Map<String, SettingValue> open = new LinkedHashMap<>(works().values());
    open.put("X2", choice("extended"));
    assertThat(reasons(DriveMemory.holding(SHEET, open), Map.of("P6", number(10))))
        .containsExactly("P6: after X2, which locks it", "X2: put back when all else is entered");
  }

  @Test
  void aRewriterOfManyNamesFour() {
    Map<String, SettingValue> sets = new LinkedHashMap<>();
    Map<String, SettingValue> meant = new LinkedHashMap<>();
    sets.put("P3", number(1));
    sets.put("P4", number(1));
    sets.put("P5", number(60));
    sets.put("P7", number(1));
    sets.put("P8", number(1));
    meant.put("P3", number(2));
    meant.put("P4", number(2));
    meant.put("P5", number(70));
    meant.put("P7", number(2));
    meant.put("P8", number(2));
    meant.put("P15", choice("on"));
    DriveSheet sheet =
        Fixtures.driveSheet(List.of(), List.of(new SettingRule.Rewrites("P15", "on", sets)));
    EntryStep first =
        EntrySheet.of(DriveMemory.works(sheet), meant, EntrySheet.Way.KEYPAD).steps().get(0);
    assertThat(first.why()).isEqualTo("before what it rewrites: P3, P4, P5, P7 and 1 more");
  }
}
