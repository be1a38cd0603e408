package unimotus.core.way.analog.local;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.Lines;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.Project;
import unimotus.core.path.PathFindings;
import unimotus.core.path.SignalPath;

/** What a potentiometer's ends and travel give away; volts by hand, 5 kΩ on the drive's 10 V. */
class KnobChecksTest {
  private static final Project RIGHT = Locals.potentiometer("terminal-drive-4kw");
  private static final String INPUT = String.valueOf(RIGHT.axes().get(0).reference().input());

  private static List<Finding> found(Project project) {
    SignalPath path = Locals.review(project).path();
    PathFindings findings = new PathFindings(Lines.axis(project));
    new KnobChecks(Lines.axis(project), (KnobLink) path.link(), findings).check();
    return findings.found();
  }

  private static String range() {
    return Lines.axis(RIGHT)
        .driveSheet()
        .setting(unimotus.core.sheet.SettingRole.ANALOG_RANGE, INPUT)
        .orElseThrow()
        .code();
  }

  @Test
  void aSoundOneHasNothingToSay() {
    assertThat(found(RIGHT)).isEmpty();
  }

  /** Volts with a live zero are another rule than milliamps. */
  @ParameterizedTest
  @CsvSource({"4-20 mA, SIGNAL_KIND", "0-20 mA, SIGNAL_KIND"})
  void anotherRangeIsTold(String set, Rule rule) {
    assertThat(found(Locals.set(RIGHT, range(), set)))
        .filteredOn(f -> f.rule() == rule)
        .singleElement()
        .satisfies(
            f -> {
              assertThat(f.severity()).isEqualTo(Severity.ERROR);
              assertThat(f.place()).isEqualTo("axis/belt/drive/" + INPUT);
              assertThat(f.seen()).contains("0-10 V", INPUT + " reads " + set);
            });
  }

  /** 24 V on the track: 12 V half way, full long before the end. */
  @Test
  void volts24OnTheTrackAreFullEarlyAndMayHarm() {
    String part = PotentiometerWayTest.part(RIGHT);
    Project high =
        Lines.plus(
            Lines.plus(Lines.minus(RIGHT, part + ":1"), "drive:P24 – " + part + ":1"),
            "drive:COM – drive:AG");
    assertThat(found(high))
        .filteredOn(f -> f.rule() == Rule.POTENTIOMETER_TRAVEL)
        .singleElement()
        .satisfies(
            f -> {
              assertThat(f.place()).isEqualTo("axis/belt/wires/potentiometer-" + INPUT);
              assertThat(f.seen()).contains("0.002", "23.99", "10 V at its track");
              assertThat(f.why()).contains("harm");
            });
  }

  /** Without the lower end the wiper never comes down. */
  @Test
  void anOpenLowerEndLeavesTheTravelHigh() {
    String part = PotentiometerWayTest.part(RIGHT);
    assertThat(found(Lines.minus(RIGHT, part + ":3")))
        .filteredOn(f -> f.rule() == Rule.POTENTIOMETER_TRAVEL)
        .singleElement()
        .satisfies(f -> assertThat(f.why()).contains("not the ends of the speed"));
  }

  @Test
  void exchangedEndsAreToldWithTheirVolts() {
    assertThat(found(PotentiometerWayTest.exchanged(RIGHT)))
        .singleElement()
        .satisfies(
            f -> {
              assertThat(f.rule()).isEqualTo(Rule.POTENTIOMETER_ENDS);
              assertThat(f.seen())
                  .contains("9.9968 V with the knob at 0 %")
                  .contains("0.001")
                  .contains("at 100 %");
            });
  }

  /** An input for milliamps takes 250 Ω, more than the 10 V can feed. */
  @Test
  void anInputForMilliampsPullsTheWiperDown() {
    Project pump = Locals.potentiometer("pump-drive-5k5");
    String input = pump.axes().get(0).reference().input();
    Project loaded = pump.with(pump.drives().get(0).withSelector(input + ".kind", "current"));
    assertThat(found(loaded))
        .filteredOn(f -> f.rule() == Rule.POTENTIOMETER_TRAVEL)
        .singleElement()
        .satisfies(
            f -> {
              assertThat(f.severity()).isEqualTo(Severity.ERROR);
              assertThat(f.seen()).contains("the wiper goes from");
            });
  }

  /** The program's span and the drive's have to end alike. */
  @Test
  void theScalingAtTheDriveIsLookedAt() {
    String code =
        Lines.axis(RIGHT)
            .driveSheet()
            .setting(unimotus.core.sheet.SettingRole.FREQUENCY_AT_HIGH, INPUT)
            .orElseThrow()
            .code();
    assertThat(found(Locals.set(RIGHT, code, 40.0))).isNotEmpty();
  }
}
