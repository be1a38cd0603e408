package unimotus.core.integrity;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.Fixtures;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Condition;
import unimotus.core.machine.Controller;
import unimotus.core.machine.Drive;
import unimotus.core.machine.DriveRecord;
import unimotus.core.machine.FieldbusLink;
import unimotus.core.machine.Intent;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.machine.Snapshot;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.ManualWords;
import unimotus.core.profile.OperatingMode;
import unimotus.core.profile.WordProfile;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;
import unimotus.core.value.ValueType;

/** What cannot be used is told with thing, value and what is allowed, and nothing rests on it. */
class IntegrityTest {
  private static final Project SOUND = Fixtures.project();

  private static LineReview review(Project project) {
    return LineReview.of(project, Fixtures.sheets());
  }

  private static Finding told(Project project, Rule rule) {
    List<Finding> found =
        review(project).findings().stream().filter(f -> f.rule() == rule).toList();
    assertThat(found).as(rule.code()).hasSize(1);
    return found.get(0);
  }

  private static Project controller(String selector, String position) {
    Controller plc = SOUND.controllers().get(0);
    return SOUND.with(plc.withSelector(selector, position));
  }

  /** A full scale that is no number once silenced the very mistake it was part of. */
  @ParameterizedTest
  @ValueSource(strings = {"32 767", "", "27648.0", "quite a lot", "-27648"})
  void aFullScaleThatCannotBeReadIsTold(String position) {
    Project project = controller("AO0.fs", position);
    Finding finding = told(project, Rule.SWITCH_POSITION);
    assertThat(finding.place()).isEqualTo("axis/belt/devices/plc/AO0.fs");
    assertThat(finding.seen()).contains("AO0.fs", "'" + position + "'", "27648, 32767");
    AxisReview axis = review(project).axes().get(0);
    assertThat(axis.path()).as("nothing is computed from it").isNull();
    assertThat(axis.whyNoPath()).isEqualTo(finding.seen());
  }

  /** A channel nobody uses stands wrong: that is the line's, and no axis stops being told of. */
  @Test
  void aChannelOfNoAxisIsTheLines() {
    Axis axis = SOUND.axes().get(0);
    Project project =
        controller("AI0.range", "0..10")
            .with(axis.withAnswer(axis.answer().withTerminals(null, null)));
    LineReview review = review(project);
    assertThat(review.line()).extracting(Finding::rule).containsExactly(Rule.SWITCH_POSITION);
    assertThat(review.axes().get(0).findings())
        .extracting(Finding::rule)
        .doesNotContain(Rule.SWITCH_POSITION);
    assertThat(review.axes().get(0).path()).isNotNull();
  }

  @Test
  void aSwitchTheDeviceDoesNotHaveIsTold() {
    Finding finding = told(controller("AO9.range", "0-10 V"), Rule.SWITCH_POSITION);
    assertThat(finding.seen()).contains("AO9.range", "0-10 V", "AO0.range");
  }

  @Test
  void aRangeThatIsNoRangeIsTold() {
    Project project = controller("AO0.range", "4..20 mA");
    assertThat(told(project, Rule.SWITCH_POSITION).seen()).contains("4..20 mA", "4-20 mA");
    assertThat(review(project).axes().get(0).path()).isNull();
  }

  /** The range of another channel is no reason not to compute this one. */
  @Test
  void whatIsNotOnTheWayDoesNotBlockIt() {
    Project project = Fixtures.withDriveSelector(SOUND, "logic", "npn");
    assertThat(told(project, Rule.SWITCH_POSITION).seen()).contains("npn", "source, sink");
    assertThat(review(project).axes().get(0).path()).isNotNull();
  }

  @ParameterizedTest
  @CsvSource({"P18, 4 to 20", "P21, maybe", "P9, brake"})
  void aChoiceTheDriveDoesNotHaveBlocksThePath(String code, String value) {
    Project project = Fixtures.withSetting(SOUND, code, value);
    Finding finding = told(project, Rule.SETTING_RANGE);
    assertThat(finding.seen()).contains(code, "'" + value + "'", "the drive takes");
    assertThat(review(project).axes().get(0).whyNoPath()).isEqualTo(finding.seen());
  }

  @Test
  void aNumberWhereAWordBelongsIsTold() {
    assertThat(told(Fixtures.withSetting(SOUND, "P18", 4.0), Rule.SETTING_RANGE).seen())
        .contains("P18", "4", "4-20 mA");
  }

  @Test
  void namesThatLeadNowhereAreTold() {
    Axis axis = SOUND.axes().get(0);
    assertThat(
            told(SOUND.with(axis.withDevices("plc", "drive", "motor-9")), Rule.NAME_LEADS_NOWHERE)
                .seen())
        .contains("motor-9");
    assertThat(
            told(
                    SOUND.with(axis.withReference(axis.reference().withTerminals("AO7", "AI1"))),
                    Rule.NAME_LEADS_NOWHERE)
                .seen())
        .contains("AO7", "no such terminal");
    assertThat(
            told(
                    SOUND.with(axis.withReference(axis.reference().withTerminals("DO0", "AI1"))),
                    Rule.NAME_LEADS_NOWHERE)
                .seen())
        .contains("DO0", "no analog channel");
  }

  @Test
  void aConditionNobodyCanMeetIsTold() {
    Intent intent =
        new Intent(
            "belt",
            Fixtures.ref("drive:DI1"),
            Meaning.RUN_FORWARD,
            List.of(new Condition("plc", "DO17")));
    assertThat(told(SOUND.withIntents(List.of(intent)), Rule.NAME_LEADS_NOWHERE).seen())
        .contains("DO17", "DO0");
  }

  /** What belongs to no axis has a place on the line. */
  @Test
  void whatBelongsToNoAxisIsTheLines() {
    Project project =
        SOUND
            .with(new Part("k9", "Lost relay", "no-such-relay", Map.of()))
            .with(
                new Reading(
                    "gone",
                    "ref50.frequency",
                    25.0,
                    null,
                    "",
                    "2026-01-31T14:05:00Z",
                    "",
                    Map.of()));
    LineReview review = review(project);
    assertThat(review.line())
        .extracting(Finding::rule)
        .containsExactly(Rule.UNKNOWN_SHEET, Rule.NAME_LEADS_NOWHERE);
    assertThat(review.line().get(0).seen()).contains("Lost relay", "no-such-relay");
    assertThat(review.findings()).containsAll(review.line());
  }

  @Test
  void aWireToNowhereIsToldWhereverItHangs() {
    Project project = SOUND.with(Fixtures.wire("x1", "plc:DO1", "relay-that-was:A1"));
    assertThat(told(project, Rule.UNKNOWN_TERMINAL).seen()).contains("x1", "relay-that-was:A1");
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "drive profile", "cia402", ManualWords.NAME})
  void aProfileThatIsNotKnownOrNotCompleteIsTold(String name) {
    FieldbusLink link = FieldbusLink.USUAL.withProfile(name);
    assertThat(link.usableProfile()).isEmpty();
    Project project = SOUND.with(DriveRecord.blank("drive").withFieldbus(link));
    assertThat(told(project, Rule.WORD_PROFILE).seen())
        .isEqualTo(link.profileFault().orElseThrow());
  }

  /** A reference beside words of homing or positioning is no speed; without one they may stand. */
  @Test
  void aModeThatCommandsNoSpeedBesideAReferenceIsTold() {
    RegisterEntry reference =
        Fixtures.register("speed reference", 1, ValueType.SIGNED_16, 0.01, "Hz");
    for (OperatingMode mode : OperatingMode.values()) {
      WordProfile profile = DriveProfiles.cia402(mode);
      FieldbusLink link = FieldbusLink.USUAL.withProfile(profile.name());
      Project bare = SOUND.with(DriveRecord.blank("drive").withFieldbus(link));
      assertThat(review(bare).findings()).noneMatch(f -> f.rule() == Rule.WORD_PROFILE);
      Project with =
          SOUND.with(
              DriveRecord.blank("drive").withFieldbus(link.withRegisters(List.of(reference))));
      if (profile.commandsSpeed()) {
        assertThat(review(with).findings()).noneMatch(f -> f.rule() == Rule.WORD_PROFILE);
      } else {
        assertThat(told(with, Rule.WORD_PROFILE).seen())
            .contains(mode.label() + " mode", "speed reference");
      }
    }
  }

  @Test
  void everyShippedProfileIsKnown() {
    DriveProfiles.all()
        .forEach(
            p -> assertThat(FieldbusLink.USUAL.withProfile(p.name()).usableProfile()).contains(p));
  }

  @Test
  void settingsReadThatTheDriveCannotHaveAreTold() {
    Snapshot read =
        new Snapshot(
            Snapshot.Kind.AS_FOUND,
            "2026-01-31T14:05:00Z",
            "",
            "keypad",
            Map.of("P5", new SettingValue.Number(50), "P9", new SettingValue.Choice("jump")));
    Project project = SOUND.with(DriveRecord.blank("drive").with(read));
    assertThat(told(project, Rule.SETTING_RANGE).seen()).contains("P9 = jump").doesNotContain("P5");
  }

  @Test
  void aSoundLineHasNothingToTell() {
    Drive drive = SOUND.drives().get(0);
    Project moved =
        SOUND.with(drive.withSelector("logic", "sink").withSelector("AI1.kind", "voltage"));
    for (Project project : List.of(SOUND, moved, Project.empty("none"))) {
      assertThat(review(project).findings())
          .extracting(f -> f.rule().code())
          .noneMatch(c -> c.startsWith("DAT"));
    }
  }

  /** The words the program reasons with are the ones sheets may use. */
  @Test
  void rolesKnowTheirWords() {
    assertThat(SelectorRole.RAW_FULL_SCALE.takes("27648")).isTrue();
    assertThat(SelectorRole.RAW_FULL_SCALE.takes("27 648")).isFalse();
    assertThat(SelectorRole.MAINS_FEED.takes("230 V")).isTrue();
    assertThat(SelectorRole.MAINS_FEED.takes("230V")).isFalse();
    assertThat(SelectorRole.DISCREPANCY_TIME.takes("0.5 s")).isTrue();
    assertThat(SettingRole.INPUT_FUNCTION.takes("run-forward")).isTrue();
    assertThat(SettingRole.INPUT_FUNCTION.takes("run forward")).isFalse();
    assertThat(SettingRole.ANALOG_RANGE.takes("4..20 mA")).isFalse();
    for (SelectorRole role : SelectorRole.values()) {
      assertThat(role.takes("")).as(role.label()).isFalse();
      assertThat(role.positions()).isNotBlank();
    }
  }
}
