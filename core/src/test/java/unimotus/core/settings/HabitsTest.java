package unimotus.core.settings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingRule;
import unimotus.core.sheet.SettingValue;

/** A drive brought to its design, both ways: by the difference, and over a reset. */
class HabitsTest {
  /** The usual drive with a reset that an access level locks. */
  private static final DriveSheet SHEET =
      Fixtures.driveSheet(
          List.of(
              Fixtures.choice("X1", SettingRole.FACTORY_RESET, null, "none", "all"),
              Fixtures.choice("X2", SettingRole.ACCESS_LEVEL, null, "basic", "extended")),
          List.of(
              new SettingRule.Resets("X1", "all", false),
              new SettingRule.Locked(List.of("X1"), "X2", "extended")));

  private static AxisAssembly axis() {
    Project project = Fixtures.withSetting(Fixtures.project(), "P7", 8.0);
    return Fixtures.assembly(project, SHEET);
  }

  private static Map<String, SettingValue> found() {
    Map<String, SettingValue> found = new LinkedHashMap<>(SettingGraph.works(SHEET));
    found.put("P1", new SettingValue.Number(3));
    found.put("P9", new SettingValue.Choice("coast"));
    return found;
  }

  private static List<String> codes(EntrySheet entry) {
    return entry.steps().stream().map(s -> s.setting().code()).toList();
  }

  @Test
  void theDifferenceIsEnteredOrEverythingAfterAReset() {
    DriveMemory before = DriveMemory.holding(SHEET, found());
    Habits habits = Habits.of(axis(), before, EntrySheet.Way.KEYPAD);
    assertThat(codes(habits.difference())).containsExactlyInAnyOrder("P1", "P7", "P9");
    EntrySheet reset = habits.afterReset().orElseThrow();
    assertThat(codes(reset)).containsExactly("X2", "X1", "P7");
    assertThat(reset.steps().get(0).why()).isEqualTo("opens the reset");
    Rehearsal rehearsal = Rehearsal.of(before, reset.entries(), RecordChecks.designed(axis()));
    assertThat(rehearsal.holds()).as("%s", rehearsal.losses()).isTrue();
  }

  /** With a run contact that closes, a motor starts on another motor's data (common practice). */
  @Test
  void whileTheMotorIsNotKnownADriveThatListensIsACaution() {
    Habits habits = Habits.of(axis(), DriveMemory.holding(SHEET, found()), EntrySheet.Way.KEYPAD);
    Exposure exposure = habits.difference().exposure().orElseThrow();
    assertThat(exposure.from()).isZero();
    assertThat(exposure.missing()).extracting(SettingDefinition::code).containsExactly("P1");
    assertThat(habits.risksOfDifference()).anyMatch(r -> r.startsWith("From the start"));
    assertThat(habits.afterReset().orElseThrow().exposure().orElseThrow().to())
        .as("the reset itself ends it: the plate is the drive's own as new")
        .isEqualTo(2);
  }

  @Test
  void byCommunicationAResetThatKeepsNoLinkIsARisk() {
    Habits habits =
        Habits.of(axis(), DriveMemory.holding(SHEET, found()), EntrySheet.Way.COMMUNICATION);
    assertThat(habits.risksOfReset()).anyMatch(r -> r.contains("connection is lost"));
  }

  /** Not read is not as new: what is meant otherwise is entered, the rest told. */
  @Test
  void aPartialListLeavesTheRestUnknown() {
    DriveMemory before = DriveMemory.holding(SHEET, Map.of("P1", new SettingValue.Number(8.05)));
    Habits habits = Habits.of(axis(), before, EntrySheet.Way.KEYPAD);
    assertThat(codes(habits.difference())).containsExactly("P7");
    assertThat(habits.difference().steps().get(0).was()).isNull();
    assertThat(habits.difference().unread())
        .hasSize(SHEET.settings().size() - 3)
        .extracting(SettingDefinition::code)
        .contains("P2", "X2")
        .doesNotContain("P1", "P7", "X1");
    assertThat(habits.risksOfDifference()).anyMatch(r -> r.contains("were not read"));
    Rehearsal rehearsal =
        Rehearsal.of(before, habits.difference().entries(), RecordChecks.designed(axis()));
    assertThat(rehearsal.losses()).isEmpty();
    assertThat(rehearsal.holds()).as("not known to hold").isFalse();
    assertThat(rehearsal.unread()).contains("P2").doesNotContain("X1");
  }

  @Test
  void aDriveAsNewNeedsNoReset() {
    Habits habits = Habits.of(axis(), DriveMemory.works(SHEET), EntrySheet.Way.KEYPAD);
    assertThat(habits.afterReset()).isEmpty();
    assertThat(habits.risksOfReset()).isEmpty();
    assertThat(habits.difference().unread()).isEmpty();
  }

  /** A reset forgets the measured motor (common practice). */
  @Test
  void anAutoTuneDoneBeforeIsLostByAReset() {
    DriveSheet tuned =
        Fixtures.driveSheet(
            List.of(
                Fixtures.choice("X1", SettingRole.FACTORY_RESET, null, "none", "all"),
                Fixtures.choice("X3", SettingRole.AUTO_TUNE, null, "not done", "done")),
            List.of(new SettingRule.Resets("X1", "all", true)));
    Map<String, SettingValue> found = new LinkedHashMap<>(SettingGraph.works(tuned));
    found.put("X3", new SettingValue.Choice("done"));
    AxisAssembly axis = Fixtures.assembly(Fixtures.project(), tuned);
    Habits habits = Habits.of(axis, DriveMemory.holding(tuned, found), EntrySheet.Way.KEYPAD);
    assertThat(habits.risksOfReset()).contains("An auto-tune done before is lost: repeat it.");
    found.put("X3", new SettingValue.Choice("not done"));
    found.put("P9", new SettingValue.Choice("coast"));
    Habits untuned = Habits.of(axis, DriveMemory.holding(tuned, found), EntrySheet.Way.KEYPAD);
    assertThat(untuned.risksOfReset()).noneMatch(r -> r.contains("auto-tune"));
  }

  /** The plate says 8.05 A: an entry of 5 A is a doubt beside it, one of 8.05 A is none. */
  @Test
  void anEntryThatContradictsThePlateSaysSo() {
    Project project = Fixtures.withSetting(Fixtures.project(), "P1", 5.0);
    AxisAssembly axis = Fixtures.assembly(project, SHEET);
    Journey journey = Journey.of(axis, DriveMemory.holding(SHEET, found()), EntrySheet.Way.KEYPAD);
    EntryStep current =
        journey.entry().steps().stream()
            .filter(s -> s.setting().code().equals("P1"))
            .findFirst()
            .orElseThrow();
    assertThat(journey.contradiction(current)).isPresent();
    Journey right = Journey.of(axis(), DriveMemory.holding(SHEET, found()), EntrySheet.Way.KEYPAD);
    assertThat(right.entry().steps()).noneMatch(s -> right.contradiction(s).isPresent());
    assertThat(right.others())
        .extracting(SettingDefinition::code)
        .contains("P2")
        .doesNotContain("P1");
  }
}
