package unimotus.core.settings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.Fixtures;
import unimotus.core.Lines;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.DriveRecord;
import unimotus.core.machine.Project;
import unimotus.core.value.ValueType;

/** A drive over its fieldbus: who commands it, what a lost link does, and registers that err. */
class LinkLossTest {
  private static final RegisterEntry SPEED =
      Fixtures.reference(ValueType.UNSIGNED_16, 0.01, "Hz", 200);

  private static Project line(String drive) {
    return Lines.bare("controller-modular", drive);
  }

  private static Project set(Project project, String... settings) {
    Project next = project;
    for (String setting : settings) {
      String[] halves = setting.split("=", 2);
      next =
          halves[1].matches("[0-9.]+")
              ? Fixtures.withSetting(next, halves[0], Double.parseDouble(halves[1]))
              : Fixtures.withSetting(next, halves[0], halves[1]);
    }
    return next;
  }

  private static Project mapped(Project project, RegisterEntry... entries) {
    DriveRecord record = project.record("drive");
    return project.with(record.withFieldbus(record.fieldbus().withRegisters(List.of(entries))));
  }

  private static LinkLoss loss(String... settings) {
    return LinkLoss.of(Lines.axis(set(line("fieldbus-drive-1k5"), settings)));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "705=0 706=stop | true | 705 is 0, the drive never times out: the motor runs on with the last words.",
        "705=2 706=hold | true | 705: after 2 s without a message nothing happens (706), the motor runs on with the last words.",
        "705=2 706=fault | false | 705: after 2 s without a message the drive faults (706), the motor coasts to rest.",
        "705=0.5 706=stop 305=ramp 304=4 | false | 705: after 0.5 s without a message the drive stops (706), from full speed by ramp in 4 s.",
        "705=2 706=stop 305=coast | false | 705: after 2 s without a message the drive stops (706), the motor coasts to rest.",
      })
  void aLostLinkIsToldAsTheSettingsStand(String settings, boolean runsOn, String words) {
    LinkLoss loss = loss(settings.split(" "));
    assertThat(loss.runsOn()).isEqualTo(runsOn);
    assertThat(loss.words()).isEqualTo(words);
  }

  @Test
  void aDriveWithoutATimeOutRunsOn() {
    LinkLoss loss = LinkLoss.of(Lines.axis(line("terminal-drive-4kw")));
    assertThat(loss.runsOn()).isTrue();
    assertThat(loss.words()).startsWith("The drive has no time-out of its link");
  }

  private static List<Finding> check(Project project) {
    return LinkChecks.check(Lines.axis(project));
  }

  @Test
  void onlyRegistersAndTheSourceTogetherMakeItCommandedByLink() {
    Project plain = line("fieldbus-drive-1k5");
    assertThat(LinkChecks.isCommandedByLink(Lines.axis(mapped(plain, SPEED)))).isFalse();
    assertThat(LinkChecks.isCommandedByLink(Lines.axis(set(plain, "401=fieldbus")))).isFalse();
    AxisAssembly both = Lines.axis(mapped(set(plain, "401=fieldbus"), SPEED));
    assertThat(LinkChecks.isCommandedByLink(both)).isTrue();
    assertThat(check(set(plain, "401=fieldbus"))).isEmpty();
  }

  @Test
  void aLinkThatIsHeldIsWarnedOfWhereItCommands() {
    Project project = mapped(line("fieldbus-drive-1k5"), SPEED);
    assertThat(check(project)).isEmpty();
    assertThat(check(set(project, "401=fieldbus")))
        .singleElement()
        .satisfies(
            f -> {
              assertThat(f.rule()).isEqualTo(Rule.LINK_HELD);
              assertThat(f.severity()).isEqualTo(Severity.WARNING);
              assertThat(f.place()).isEqualTo("axis/belt/fieldbus");
              assertThat(f.seen()).startsWith("705 is 0");
            });
    assertThat(check(set(project, "401=fieldbus", "705=2", "706=fault"))).isEmpty();
  }

  @Test
  void anotherUnitThanTheDrivesIsAnError() {
    Project project = set(mapped(line("fieldbus-drive-1k5"), SPEED), "701=7");
    assertThat(check(project))
        .singleElement()
        .satisfies(
            f -> {
              assertThat(f.rule()).isEqualTo(Rule.UNIT_NUMBER);
              assertThat(f.seen()).isEqualTo("the program asks unit 1, the drive is set to 7");
            });
    DriveRecord record = project.record("drive");
    assertThat(check(project.with(record.withFieldbus(record.fieldbus().withUnit(7))))).isEmpty();
  }

  @Test
  void registersThatErrAreErrors() {
    List<Finding> found = new ArrayList<>(check(mapped(line("fieldbus-drive-1k5"), SPEED, SPEED)));
    assertThat(found)
        .isNotEmpty()
        .allSatisfy(
            f -> {
              assertThat(f.rule()).isEqualTo(Rule.REGISTER_MAP);
              assertThat(f.severity()).isEqualTo(Severity.ERROR);
              assertThat(f.seen()).startsWith("Frequency reference: ");
              assertThat(f.remedy()).isNotBlank();
            });
  }
}
