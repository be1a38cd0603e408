package unimotus.workbench.settings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Borrowing;
import unimotus.core.machine.DrivePlate;
import unimotus.core.machine.DriveRecord;
import unimotus.core.machine.Feed;
import unimotus.core.machine.Project;
import unimotus.core.machine.Snapshot;
import unimotus.core.machine.Tuning;
import unimotus.core.review.LineReview;
import unimotus.core.settings.RecordChecks;
import unimotus.core.settings.TuningState;
import unimotus.core.sheet.SettingValue;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;
import unimotus.workbench.WorkStep;

/** Rules about the drive itself, each broken once on the demo's rinse drum. */
class SetUpRulesTest {
  private static final SheetCatalogue SHEETS = SheetLibrary.catalogue();
  private static final String DAY = "2026-11-26T08:00:00Z";
  private static final Set<Rule> RULES =
      EnumSet.of(
          Rule.BORROWED,
          Rule.TUNING_STALE,
          Rule.LEFT_OTHERWISE,
          Rule.LEFT_UNREAD,
          Rule.FIRMWARE,
          Rule.VARIANT,
          Rule.DAMAGED,
          Rule.POWER_SIDE);

  private static DriveRecord record() {
    return Demo.project().record("drum-drive");
  }

  private static AxisAssembly drum(Project project) {
    return LineReview.of(project, SHEETS).axis("rinse-drum").orElseThrow().assembly();
  }

  private static Project with(DriveRecord record) {
    return Demo.project().with(record);
  }

  private static DriveRecord plate(String suffix, String firmware, boolean sound) {
    return record().withPlate(new DrivePlate(suffix, firmware, List.of(), sound));
  }

  private static Snapshot left(Map<String, SettingValue> values) {
    return new Snapshot(Snapshot.Kind.AS_LEFT, DAY, "A. Tester", "keypad", values);
  }

  private static final Map<String, SettingValue> KEYPAD =
      Map.of("C40", new SettingValue.Choice("keypad"));

  private static Borrowing borrowing() {
    return new Borrowing(
        "jog on the bench",
        "A. Tester",
        DAY,
        Map.of("C40", new SettingValue.Choice("terminals")),
        KEYPAD,
        null,
        null);
  }

  static Stream<Arguments> broken() {
    Feed feed = Feed.USUAL;
    return Stream.of(
        Arguments.of(Rule.BORROWED, with(record().with(borrowing()))),
        Arguments.of(
            Rule.TUNING_STALE,
            with(
                record()
                    .withTuning(
                        new Tuning("A. Tester", DAY, Map.of("M12", new SettingValue.Number(7)))))),
        Arguments.of(Rule.LEFT_OTHERWISE, with(record().with(left(KEYPAD)))),
        // One setting was read: of the others nothing is known.
        Arguments.of(Rule.LEFT_UNREAD, with(record().with(left(KEYPAD)))),
        Arguments.of(Rule.FIRMWARE, with(plate("", "2.9", true))),
        Arguments.of(Rule.VARIANT, with(plate("-N", "2.14", true))),
        Arguments.of(Rule.VARIANT, with(plate("-XYZ", "2.14", true))),
        Arguments.of(Rule.DAMAGED, with(plate("", "2.14", false))),
        Arguments.of(Rule.POWER_SIDE, with(record().withFeed(feed.withMains(230, 3)))),
        Arguments.of(Rule.POWER_SIDE, with(record().withFeed(feed.withMains(400, 1)))),
        Arguments.of(Rule.POWER_SIDE, with(record().withFeed(feed.withLengths(20, 60)))),
        Arguments.of(Rule.POWER_SIDE, with(record().withFeed(feed.withShield(false)))));
  }

  private static List<Finding> findings(Project project) {
    return LineReview.of(project, SHEETS).axis("rinse-drum").orElseThrow().findings().stream()
        .filter(f -> RULES.contains(f.rule()))
        .toList();
  }

  @ParameterizedTest
  @MethodSource("broken")
  void theRuleSpeaksWhenItIsBroken(Rule rule, Project project) {
    assertThat(findings(project))
        .filteredOn(f -> f.rule() == rule)
        .isNotEmpty()
        .allSatisfy(
            f -> {
              assertThat(f.seen()).isNotBlank();
              assertThat(f.why()).isNotBlank();
              assertThat(f.remedy()).isNotBlank();
              assertThat(f.place()).startsWith("axis/rinse-drum/");
              assertThat(WorkStep.of(f.rule())).isIn(WorkStep.IDENTIFY, WorkStep.SET_UP);
            });
  }

  @Test
  void theDrumAsItStandsHasNothingToSay() {
    assertThat(findings(Demo.project())).isEmpty();
  }

  @Test
  void everyOfTheseRulesIsBrokenByOneCase() {
    Set<Rule> covered = EnumSet.noneOf(Rule.class);
    broken().forEach(a -> covered.add((Rule) a.get()[0]));
    assertThat(covered).isEqualTo(RULES);
  }

  @Test
  void whatIsPutBackIsNoFindingAnyMore() {
    DriveRecord out = record().with(borrowing());
    assertThat(findings(with(out.restored(borrowing(), "B. Tester", DAY)))).isEmpty();
  }

  @Test
  void leftAsDesignedIsNoFinding() {
    AxisAssembly drum = drum(Demo.project());
    assertThat(findings(with(record().with(left(RecordChecks.designed(drum)))))).isEmpty();
  }

  /** Common practice: motor data changed afterwards make an auto-tune worthless; ramps do not. */
  @Test
  void anAutoTuneHoldsUntilMotorDataChange() {
    AxisAssembly drum = drum(Demo.project());
    assertThat(TuningState.of(drum)).isEqualTo(TuningState.NOT_DONE);
    Project tuned =
        with(record().withTuning(new Tuning("A. Tester", DAY, TuningState.values(drum))));
    assertThat(TuningState.of(drum(tuned))).isEqualTo(TuningState.DONE);
    Project ramp = tuned.with(drum.drive().withSetting("R30", new SettingValue.Number(12)));
    assertThat(TuningState.of(drum(ramp))).isEqualTo(TuningState.DONE);
    Project current = tuned.with(drum.drive().withSetting("M12", new SettingValue.Number(7.9)));
    assertThat(TuningState.of(drum(current))).isEqualTo(TuningState.STALE);
  }
}
