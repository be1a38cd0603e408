package unimotus.core.settings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.Lines;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Borrowing;
import unimotus.core.machine.DriveRecord;
import unimotus.core.machine.Load;
import unimotus.core.machine.Project;
import unimotus.core.machine.Snapshot;
import unimotus.core.machine.Tuning;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingValue;

/** Three copies of one truth: as designed, as found, as left (common practice). */
class SettingRecordsTest {
  private static final String DAY = "2026-11-26T08:00:00Z";

  private static Project line() {
    Project project = Lines.bare("controller-modular", "terminal-drive-4kw");
    return project.with(project.axes().get(0).withLoad(new Load(20, 60, 0, 0, 0.9)));
  }

  private static SettingValue number(double value) {
    return new SettingValue.Number(value);
  }

  private static SettingValue word(String value) {
    return new SettingValue.Choice(value);
  }

  private static List<Finding> check(DriveRecord record) {
    return RecordChecks.check(Lines.axis(line().with(record)));
  }

  private static Snapshot left(Map<String, SettingValue> values) {
    return new Snapshot(Snapshot.Kind.AS_LEFT, DAY, "A. Tester", "keypad", values);
  }

  @Test
  void valuesAreComparedAsADriveShowsThem() {
    DriveSheet sheet = Lines.axis(line()).driveSheet();
    SettingComparison c =
        SettingComparison.of(
            sheet,
            Map.of("M12", number(8), "R30", number(10), "C40", word("keypad")),
            Map.of("M12", number(8 + 1e-9), "R30", number(12), "L20", number(0)));
    Map<String, SettingComparison.Row> rows = new LinkedHashMap<>();
    c.rows().forEach(r -> rows.put(r.setting().code(), r));
    assertThat(rows).hasSize(sheet.settings().size());
    assertThat(rows.get("M12").kind()).isEqualTo(SettingComparison.Kind.SAME);
    assertThat(rows.get("M12").leftIsWorks()).isTrue();
    assertThat(rows.get("R30").kind()).isEqualTo(SettingComparison.Kind.CHANGED);
    assertThat(rows.get("R30").leftIsWorks()).isTrue();
    assertThat(rows.get("R30").rightIsWorks()).isFalse();
    assertThat(rows.get("C40").kind()).isEqualTo(SettingComparison.Kind.MISSING_RIGHT);
    assertThat(rows.get("L20").kind()).isEqualTo(SettingComparison.Kind.MISSING_LEFT);
    assertThat(rows.get("L21").kind()).isEqualTo(SettingComparison.Kind.MISSING);
    assertThat(c.differences())
        .extracting(r -> r.setting().code())
        .containsExactlyInAnyOrder("R30", "C40", "L20");
    assertThat(c.holds()).isFalse();
    Map<String, SettingValue> works = SettingGraph.works(sheet);
    assertThat(SettingComparison.of(sheet, works, works).holds()).isTrue();
    assertThat(SettingComparison.isSame(number(1e6), number(1e6 + 0.5))).isTrue();
    assertThat(SettingComparison.isSame(number(1e6), number(1e6 + 2))).isFalse();
    assertThat(SettingComparison.isSame(number(1), word("1"))).isFalse();
    for (SettingComparison.Kind kind : SettingComparison.Kind.values()) {
      assertThat(kind.label()).isNotBlank();
    }
  }

  @Test
  void whatWasLeftIsHeldAgainstTheDesign() {
    AxisAssembly axis = Lines.axis(line());
    Map<String, SettingValue> designed = RecordChecks.designed(axis);
    DriveRecord record = axis.record();
    assertThat(check(record.with(left(designed)))).isEmpty();
    Map<String, SettingValue> other = new LinkedHashMap<>(designed);
    other.put("R30", number(3));
    assertThat(check(record.with(left(other))))
        .singleElement()
        .satisfies(
            f -> {
              assertThat(f.rule()).isEqualTo(Rule.LEFT_OTHERWISE);
              assertThat(f.seen()).contains("1 settings").contains("R30").contains(DAY);
              assertThat(f.place()).isEqualTo("axis/belt/drive");
            });
    Map<String, SettingValue> named = new LinkedHashMap<>(designed);
    named.put("A01", word("live-zero"));
    assertThat(check(record.with(left(named)))).as("a macro's name is no setting").isEmpty();
    assertThat(check(record.with(left(Map.of("R30", designed.get("R30"))))))
        .singleElement()
        .satisfies(
            f -> {
              assertThat(f.rule()).isEqualTo(Rule.LEFT_UNREAD);
              assertThat(f.remedy()).contains("and others");
            });
    Map<String, SettingValue> allButOne = new LinkedHashMap<>(designed);
    allButOne.remove("R31");
    assertThat(check(record.with(left(allButOne))).get(0).remedy()).contains("by hand: R31.");
  }

  /** Motor data that change make an auto-tune stale (common practice). */
  @Test
  void aTuningGoesStaleWithTheMotorsData() {
    AxisAssembly axis = Lines.axis(line());
    assertThat(TuningState.of(axis)).isEqualTo(TuningState.NOT_DONE);
    Map<String, SettingValue> values = TuningState.values(axis);
    assertThat(values.keySet()).containsExactlyInAnyOrder("M10", "M11", "M12", "M13", "M14", "M15");
    DriveRecord tuned = axis.record().withTuning(new Tuning("A. Tester", DAY, values));
    assertThat(TuningState.of(Lines.axis(line().with(tuned)))).isEqualTo(TuningState.DONE);
    assertThat(check(tuned)).isEmpty();
    Project changed = line().with(tuned);
    changed = changed.with(changed.drives().get(0).withSetting("M12", number(7)));
    assertThat(TuningState.of(Lines.axis(changed))).isEqualTo(TuningState.STALE);
    assertThat(RecordChecks.check(Lines.axis(changed)))
        .extracting(Finding::rule)
        .containsExactly(Rule.TUNING_STALE);
    Project other = Fixtures.project();
    assertThat(TuningState.of(Fixtures.assembly(other))).isEqualTo(TuningState.NONE);
    for (TuningState state : TuningState.values()) {
      assertThat(state.label()).isNotBlank();
    }
  }

  /** By hand: P = 4 kW at 1456 rpm is 26.2 N·m; the plate current without factor is the limit. */
  @Test
  void whatFollowsShowsItsSum() {
    AxisAssembly axis = Lines.axis(line());
    Map<String, DerivedSetting> derived = new LinkedHashMap<>();
    DerivedSettings.withReasons(axis).forEach(d -> derived.put(d.setting().code(), d));
    assertThat(derived.get("M12").value()).isEqualTo(number(8.05));
    assertThat(derived.get("M15").value()).as("four poles").isEqualTo(number(4));
    assertThat(derived.get("M16").value()).as("overload, exactly").isEqualTo(number(8.05));
    assertThat(derived.get("A02").value()).isEqualTo(word("50"));
    DerivedSetting limit = derived.get("L22");
    assertThat(((SettingValue.Number) limit.value()).value()).isCloseTo(8.05, within(1e-9));
    assertThat(limit.sum().text())
        .contains("drive, short time")
        .contains("9.5·1.5, 60 s = 14.25 A")
        .contains("what the load needs")
        .contains("T_n 26.2")
        .contains("8.05·1 = 8.05 A");
    DerivedSetting ramp = derived.get("R30");
    assertThat(ramp.reason()).contains("Long enough");
    assertThat(ramp.sum().text()).contains("least ramp").contains("as it stands = 10 s");
    Project heavy = line();
    heavy = heavy.with(heavy.axes().get(0).withLoad(new Load(90_000, 60, 0, 0, 0.9)));
    DerivedSetting longer =
        DerivedSettings.withReasons(Lines.axis(heavy)).stream()
            .filter(d -> d.setting().code().equals("R30"))
            .findFirst()
            .orElseThrow();
    double least = longer.sum().steps().get(1).value();
    assertThat(((SettingValue.Number) longer.value()).value()).isEqualTo(Math.ceil(1.5 * least));
    assertThat(longer.reason()).contains("along the current limit");
  }

  @Test
  void aJourneyBracketsWhatAnEntryRewritesAndOpens() {
    Project project = line();
    project =
        project.with(
            project
                .drives()
                .get(0)
                .withSetting("A01", word("live-zero"))
                .withSetting("C41", word("AI1"))
                .withSetting("C42", word("three-wire")));
    AxisAssembly axis = Lines.axis(project);
    Journey journey = Journey.of(axis, DriveMemory.works(axis.driveSheet()), EntrySheet.Way.KEYPAD);
    List<String> codes = journey.entry().steps().stream().map(s -> s.setting().code()).toList();
    assertThat(codes).contains("A01", "C41", "A03", "C42");
    assertThat(journey.brackets())
        .anySatisfy(
            b -> {
              assertThat(b.opens()).isFalse();
              assertThat(codes.get(b.from())).isEqualTo("A01");
              assertThat(b.to()).contains(codes.indexOf("C41"));
            })
        .anySatisfy(
            b -> {
              assertThat(b.opens()).isTrue();
              assertThat(codes.get(b.from())).isEqualTo("A03");
              assertThat(b.to()).containsExactly(codes.indexOf("C42"));
            });
    assertThat(journey.others())
        .extracting(s -> s.code())
        .doesNotContainAnyElementsOf(codes)
        .hasSize(axis.driveSheet().settings().size() - codes.stream().distinct().toList().size());
    EntryStep current =
        journey.entry().steps().stream()
            .filter(s -> s.setting().code().equals("C42"))
            .findFirst()
            .orElseThrow();
    assertThat(journey.contradiction(current)).isEmpty();
  }

  /** What was changed for a test is told until it is put back. */
  @Test
  void aBorrowingIsToldUntilItIsPutBack() {
    Borrowing borrowing =
        new Borrowing(
            "jog on the bench",
            "A. Tester",
            DAY,
            Map.of("C40", word("terminals")),
            Map.of("C40", word("keypad")),
            null,
            null);
    DriveRecord record = Lines.axis(line()).record();
    assertThat(check(record.with(borrowing)))
        .singleElement()
        .satisfies(
            f -> {
              assertThat(f.rule()).isEqualTo(Rule.BORROWED);
              assertThat(f.seen()).isEqualTo("A. Tester changed C40 for a test: jog on the bench");
              assertThat(f.place()).isEqualTo("axis/belt/drive");
            });
    assertThat(check(record.with(borrowing).restored(borrowing, "B. Tester", DAY))).isEmpty();
  }
}
