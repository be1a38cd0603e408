package unimotus.core.review;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.Fixtures;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.Answer;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Condition;
import unimotus.core.machine.ConductorSize;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Intent;
import unimotus.core.machine.Load;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reference;
import unimotus.core.machine.Wire;
import unimotus.core.machine.WireMake;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.ServoPlate;

/**
 * Every rule is broken once by one change to a sound axis, and is silent on the sound axis. The
 * changes are the mistakes of the trade (common practice) unless a line names another source.
 */
class RulesTest {

  /** The sound axis, with the safety circuit wired in place of the works jumper. */
  private static Project sound() {
    Project project = Fixtures.withDriveSelector(Fixtures.project(), "jumper", "removed");
    return with(
        project,
        Fixtures.wire("s1", "plc:24V", "drive:STO1"),
        Fixtures.wire("s2", "plc:24V", "drive:STO2"));
  }

  private static Project with(Project project, Wire... wires) {
    List<Wire> all = new ArrayList<>(project.wires());
    all.addAll(List.of(wires));
    return project.withWires(all);
  }

  private static Project plate(
      double power, double volts, double amps, double hertz, double rpm, double cos) {
    return Fixtures.withPlate(
        sound(), new InductionPlate(power, volts, amps, hertz, rpm, cos, 1, 0.0135));
  }

  private static Project servo(double backVolts) {
    ServoPlate servo = new ServoPlate(6, 5, 3000, 4.8, 1.2, backVolts, 8, 4096, 0, 230, 0.0004);
    return sound().with(sound().motors().get(0).withPlate(servo));
  }

  private static Reference reference(double fullSpeed, double topHertz, int counts, double step) {
    return new Reference("AO0", "AI1", 0, fullSpeed, 0, topHertz, counts, step);
  }

  private static Axis axis() {
    return Fixtures.axis(sound());
  }

  static Stream<Arguments> broken() {
    return Stream.of(
        Arguments.of(Rule.AXIS_INCOMPLETE, sound().with(axis().withDevices("plc", null, "motor"))),
        Arguments.of(
            Rule.UNKNOWN_SHEET,
            sound().with(new Drive("drive", "Drive", "unheard-of", Map.of(), Map.of()))),
        Arguments.of(
            Rule.UNKNOWN_TERMINAL, with(sound(), Fixtures.wire("x1", "plc:DO1", "drive:DI9"))),
        Arguments.of(Rule.SIGNAL_KIND, Fixtures.withChannel(sound(), "AO0.range", "0-10 V")),
        Arguments.of(Rule.LIVE_ZERO, Fixtures.withSetting(sound(), "P18", "0-20 mA")),
        Arguments.of(Rule.LIVE_ZERO, Fixtures.withChannel(sound(), "AO0.range", "0-20 mA")),
        Arguments.of(Rule.RAW_FULL_SCALE, Fixtures.withChannel(sound(), "AO0.fs", "32767")),
        Arguments.of(
            Rule.INPUT_SELECTOR, Fixtures.withDriveSelector(sound(), "AI1.kind", "voltage")),
        Arguments.of(
            Rule.RESOLUTION, Fixtures.withReference(sound(), reference(25, 50, 27648, 0.001))),
        Arguments.of(Rule.SPAN_ENDS, Fixtures.withSetting(sound(), "P20", 60.0)),
        Arguments.of(Rule.CLAMPED_MAXIMUM, Fixtures.withSetting(sound(), "P5", 45.0)),
        Arguments.of(Rule.MINIMUM_FLOOR, Fixtures.withSetting(sound(), "P4", 20.0)),
        Arguments.of(Rule.SIGNAL_LOSS, Fixtures.withSetting(sound(), "P23", "none")),
        Arguments.of(Rule.REFERENCE_UNWIRED, Fixtures.without(sound(), "w3")),
        Arguments.of(Rule.REFERENCE_UNWIRED, Fixtures.without(sound(), "w4")),
        Arguments.of(
            Rule.REFERENCE_UNWIRED,
            Fixtures.withReference(sound(), new Reference(null, "AI1", 0, 25, 0, 50, 27648, 0.05))),
        Arguments.of(Rule.ANSWER_SCALE, Fixtures.withSetting(sound(), "P24", "4-20 mA")),
        Arguments.of(Rule.ANSWER_SCALE, Fixtures.withChannel(sound(), "AI0.fs", "4095")),
        // IEC 60034-1: 1456 rpm at 50 Hz is a four-pole motor.
        Arguments.of(Rule.POLE_COUNT, Fixtures.withSetting(sound(), "P2", 2.0)),
        Arguments.of(Rule.PLATE_PLAUSIBLE, plate(4000, 400, 5.0, 50, 1456, 0.81)),
        Arguments.of(Rule.PLATE_PLAUSIBLE, plate(4000, 400, 8.05, 50, 3000, 0.81)),
        Arguments.of(Rule.PLATE_PLAUSIBLE, plate(4000, 400, 8.05, 60, 1456, 0.81)),
        Arguments.of(Rule.MOTOR_VOLTAGE, plate(4000, 690, 4.67, 50, 1456, 0.81)),
        Arguments.of(Rule.SERVO_PLATE, servo(42)),
        Arguments.of(Rule.MOTOR_ON_DRIVE, servo(72.55)),
        Arguments.of(Rule.EFFICIENCY_CLASS, plate(4000, 400, 9.5, 50, 1456, 0.81)),
        Arguments.of(Rule.PLATE_CURRENT, plate(4000, 400, 13.5, 50, 1456, 0.81)),
        Arguments.of(Rule.OVERLOAD_SETTING, Fixtures.withSetting(sound(), "P3", 9.0)),
        Arguments.of(Rule.OVERLOAD_SETTING, Fixtures.withSetting(sound(), "P3", 7.0)),
        // Without load it takes 8.05 A · √(1 − 0.81²) = 4.72 A.
        Arguments.of(Rule.CURRENT_LIMIT, Fixtures.withSetting(sound(), "P6", 5.0)),
        // √(13.5² − 4.72²)/6.52 = 1.94 times the rated torque, the motor pulls out at about 2.5.
        Arguments.of(Rule.CURRENT_LIMIT, Fixtures.withSetting(sound(), "P6", 13.5)),
        // The drive gives 1.5 · 9.5 A = 14.25 A for a minute.
        Arguments.of(Rule.CURRENT_LIMIT, Fixtures.withSetting(sound(), "P6", 15.0)),
        Arguments.of(Rule.DRIVE_CURRENT, plate(5500, 400, 10.9, 50, 1460, 0.83)),
        Arguments.of(Rule.PLATE_IN_DRIVE, Fixtures.withSetting(sound(), "P1", 6.0)),
        Arguments.of(
            Rule.RAMP_TORQUE, sound().with(axis().withLoad(new Load(90_000, 60, 0, 0, 0.9)))),
        Arguments.of(
            Rule.RAMP_TORQUE, sound().with(axis().withLoad(new Load(20, 6000, 0, 0, 0.9)))),
        Arguments.of(
            Rule.MACHINE_SPEED, sound().with(axis().withMechanics(new Mechanics.Drum(45, 0.5)))),
        Arguments.of(
            Rule.CONTINUOUS_TORQUE, sound().with(axis().withLoad(new Load(20, 2600, 0, 0, 0.9)))),
        Arguments.of(Rule.SOURCE_SINK, Fixtures.withDriveSelector(sound(), "logic", "sink")),
        Arguments.of(
            Rule.SOURCE_SINK,
            with(Fixtures.without(sound(), "w1"), Fixtures.wire("x1", "plc:DS0", "drive:DI1"))),
        Arguments.of(Rule.NO_COMMON, Fixtures.without(sound(), "w2")),
        Arguments.of(
            Rule.NO_COMMON,
            with(Fixtures.without(sound(), "w1"), Fixtures.wire("x1", "plc:RO", "drive:DI1"))),
        Arguments.of(Rule.USED_TWICE, with(sound(), Fixtures.wire("x1", "plc:DO1", "drive:DI1"))),
        Arguments.of(Rule.USED_TWICE, twoAxesOnOneDrive()),
        Arguments.of(Rule.NO_PERMISSION, Fixtures.without(sound(), "s2")),
        Arguments.of(Rule.NO_PERMISSION, Fixtures.withSetting(sound(), "P17", "enable")),
        // IEC 60204-1: power that returns must not by itself start the machine.
        Arguments.of(Rule.RESTART, Fixtures.withSetting(sound(), "P13", "allowed")),
        Arguments.of(Rule.RUN_UNWIRED, Fixtures.without(sound(), "w1")),
        Arguments.of(Rule.RUN_UNWIRED, Fixtures.withSetting(sound(), "P16", "none")),
        Arguments.of(Rule.INPUT_LEVEL, Fixtures.withSetting(sound(), "P14", "active-low")),
        Arguments.of(Rule.BYPASSED_PERMISSION, Fixtures.project()),
        Arguments.of(Rule.COMMAND_SOURCE, Fixtures.withSetting(sound(), "P10", "keypad")),
        Arguments.of(Rule.REFERENCE_SOURCE, Fixtures.withSetting(sound(), "P11", "keypad")),
        Arguments.of(Rule.SETTING_RANGE, Fixtures.withSetting(sound(), "P5", 4000.0)),
        Arguments.of(Rule.SETTING_RANGE, Fixtures.withSetting(sound(), "P99", 1.0)));
  }

  /** The mistakes that only a solved circuit shows. */
  static Stream<Arguments> brokenWiring() {
    Project noRun = Fixtures.without(sound(), "w1");
    Project contactFed = with(sound(), Fixtures.wire("x2", "drive:P24", "plc:RC"));
    return Stream.of(
        Arguments.of(
            Rule.SUPPLY_OVERLOAD, with(sound(), Fixtures.wire("x1", "drive:P24", "drive:COM"))),
        Arguments.of(Rule.LEAKAGE, with(noRun, Fixtures.wire("x1", "plc:DOT", "drive:DI1"))),
        Arguments.of(
            Rule.VOLTAGE_DROP,
            with(noRun, made("w1", "plc:DO0", "drive:DI1", ConductorSize.metric(0.05), 9900))),
        Arguments.of(
            Rule.CONTACT_LOAD,
            with(
                noRun,
                Fixtures.wire("x1", "plc:ROP", "drive:DI1"),
                Fixtures.wire("x2", "drive:P24", "plc:RC"))),
        Arguments.of(
            Rule.RELAY_PULSES,
            with(
                Fixtures.withSetting(contactFed, "P17", "pulse-reference"),
                Fixtures.wire("x1", "plc:RO", "drive:DI2"))),
        // The drive's own 24 V on the panel's.
        Arguments.of(
            Rule.SUPPLIES_JOINED, with(sound(), Fixtures.wire("x1", "drive:P24", "plc:24V"))),
        Arguments.of(Rule.SWAPPED, exchanged()),
        // Wired for run, set to reverse.
        Arguments.of(
            Rule.INPUT_PURPOSE,
            with(
                    Fixtures.withSetting(sound(), "P17", "run-reverse"),
                    Fixtures.wire("x1", "plc:DO1", "drive:DI2"))
                .withIntents(
                    List.of(meant("drive:DI2", Meaning.RESET, new Condition("plc", "DO1"))))),
        // Switched by the program, and the drive makes nothing of it.
        Arguments.of(
            Rule.INPUT_PURPOSE, with(sound(), Fixtures.wire("x1", "plc:DO1", "drive:DI2"))),
        // A wire beside the contact.
        Arguments.of(
            Rule.COMMAND_AT_REST, with(sound(), Fixtures.wire("x1", "drive:P24", "drive:DI1"))),
        // The output shorted to its supply.
        Arguments.of(
            Rule.COMMAND_AT_REST, with(sound(), Fixtures.wire("x1", "plc:24V", "plc:DO0"))),
        Arguments.of(
            Rule.START_TWICE,
            Fixtures.withSetting(
                Fixtures.withSetting(sound(), "P16", "start"), "P17", "start-delayed")),
        Arguments.of(
            Rule.START_RACE,
            with(
                Fixtures.withPart(
                    Fixtures.withSetting(noRun, "P16", "start"), "hoa", "test-selector"),
                Fixtures.wire("x1", "drive:P24", "hoa:3"),
                Fixtures.wire("x2", "hoa:4", "drive:DI1"))),
        Arguments.of(Rule.HAND_REFERENCE, hand("P17", "none", "terminals")),
        Arguments.of(Rule.HAND_REFERENCE, hand("P17", "manual-request", "fieldbus")),
        Arguments.of(Rule.HAND_UNWIRED, hand("P17", "manual-request", "terminals")),
        Arguments.of(
            Rule.STOP_UNASSIGNED,
            Fixtures.withSetting(
                Fixtures.withSetting(sound(), "P12", "three-wire"), "P16", "start")),
        Arguments.of(Rule.SHORT_CIRCUIT, with(sound(), Fixtures.wire("x1", "plc:DO0", "plc:0V"))),
        Arguments.of(
            Rule.FAIL_SAFE,
            with(
                    Fixtures.withSetting(sound(), "P26", "fault"),
                    Fixtures.wire("x1", "plc:24V", "drive:FC"),
                    Fixtures.wire("x2", "drive:FR", "plc:DI0"))
                .withIntents(
                    List.of(meant("plc:DI0", Meaning.FAULT, new Condition("drive", "fault"))))),
        Arguments.of(
            Rule.NOT_AS_MEANT,
            sound()
                .withIntents(
                    List.of(meant("drive:DI1", Meaning.RUN_FORWARD, new Condition("plc", "DO1"))))),
        Arguments.of(
            Rule.MAINS_SELECTOR,
            with(
                sound().with(new Part("psu", "Supply", "test-supply", Map.of("mains", "115 V"))),
                Fixtures.wire("x1", "psu:-", "drive:COM"))),
        // A 20 mA loop of 250 Ω and 2 × 345 Ω asks 18.8 V of an output that drives 500 Ω.
        Arguments.of(
            Rule.BURDEN,
            with(
                Fixtures.without(sound(), "w3"),
                made("w3", "plc:AO0", "drive:AI1", ConductorSize.metric(0.05), 2000))),
        Arguments.of(
            Rule.SHIELD,
            with(
                Fixtures.without(sound(), "w3"),
                made("w3", "plc:AO0", "drive:AI1", ConductorSize.USUAL, 12))));
  }

  private static Wire made(String id, String from, String to, ConductorSize size, double metres) {
    return Fixtures.wire(id, from, to).withMake(WireMake.PLAIN.withSize(size).withLength(metres));
  }

  /** A selector that starts in Hand, with the second input set to something, and an owner. */
  private static Project hand(String code, String function, String owner) {
    Project set =
        Fixtures.withSetting(
            Fixtures.withSetting(
                Fixtures.withSetting(Fixtures.without(sound(), "w1"), "P16", "start"),
                code,
                function),
            "P27",
            owner);
    return with(
        Fixtures.withPart(set, "hoa", "test-selector"),
        Fixtures.wire("x1", "drive:P24", "hoa:3"),
        Fixtures.wire("x2", "hoa:4", "drive:DI1"),
        Fixtures.wire("x3", "hoa:6", "drive:DI2"));
  }

  private static Intent meant(String input, Meaning meaning, Condition... when) {
    return new Intent("belt", Fixtures.ref(input), meaning, List.of(when));
  }

  private static Project exchanged() {
    return with(
            Fixtures.withSetting(sound(), "P17", "run-reverse"),
            Fixtures.wire("x1", "plc:DO1", "drive:DI2"))
        .withIntents(
            List.of(
                meant("drive:DI1", Meaning.RUN_FORWARD, new Condition("plc", "DO1")),
                meant("drive:DI2", Meaning.RUN_REVERSE, new Condition("plc", "DO0"))));
  }

  private static Project twoAxesOnOneDrive() {
    Axis first = axis();
    Axis second =
        new Axis(
            "second",
            "Second",
            "",
            "plc",
            "drive",
            "motor",
            first.reference(),
            new Answer(null, null, 25, 27648),
            first.mechanics(),
            first.load());
    return sound().with(second);
  }

  private static List<Finding> findings(Project project) {
    return LineReview.of(project, Fixtures.sheets()).findings();
  }

  @ParameterizedTest
  @MethodSource({"broken", "brokenWiring"})
  void theRuleSpeaksWhenItIsBroken(Rule rule, Project project) {
    List<Finding> found = findings(project).stream().filter(f -> f.rule() == rule).toList();
    assertThat(found).isNotEmpty();
    assertThat(found)
        .allSatisfy(
            f -> {
              assertThat(f.seen()).isNotBlank();
              assertThat(f.why()).isNotBlank();
              assertThat(f.remedy()).isNotBlank();
              assertThat(f.place()).startsWith("axis/");
              assertThat(f.line()).contains(rule.code());
            });
  }

  @Test
  void theSoundAxisHasNothingToSay() {
    assertThat(findings(sound())).isEmpty();
  }

  @Test
  void everyRuleIsBrokenByOneCase() {
    Set<Rule> covered = EnumSet.noneOf(Rule.class);
    Stream.concat(broken(), brokenWiring()).forEach(a -> covered.add((Rule) a.get()[0]));
    // Stops, plates of drives and records need richer sheets: broken on the shipped ones; stations,
    // presets, moves, sequences, loops,
    // potentiometers, what analog outputs show and what inputs bear are broken beside their
    // subject.
    List<Rule> here =
        Stream.of(Rule.values())
            .filter(
                r ->
                    !r.code()
                        .matches(
                            "(SAF|IDN|PWR|FLD|DAT|PRE|CTL|PDB|MOV|SEQ|LOP)-.*|SET-00[4567]|ANA-01[456]|DIS-02[789]|DIS-03[01]"))
            .toList();
    assertThat(covered).containsExactlyInAnyOrderElementsOf(here);
  }

  @ParameterizedTest
  @EnumSource(Rule.class)
  void everyRuleHasATitleAndASource(Rule rule) {
    assertThat(rule.code()).matches("[A-Z]{3}-\\d{3}");
    assertThat(rule.title()).isNotBlank();
    assertThat(rule.source()).isNotBlank();
  }

  @Test
  void codesAreUnique() {
    Set<String> codes = new HashSet<>();
    for (Rule rule : Rule.values()) {
      assertThat(codes.add(rule.code())).as(rule.code()).isTrue();
    }
  }

  @Test
  void aSinkingOutputOnAnInputSetForSinkingIsSound() {
    Project project = Fixtures.withDriveSelector(Fixtures.without(sound(), "w1"), "logic", "sink");
    assertThat(findings(with(project, Fixtures.wire("x1", "plc:DS0", "drive:DI1")))).isEmpty();
  }

  @Test
  void aDryContactFedFromTheDrivesOwnSupplyIsSound() {
    Project project =
        with(
            Fixtures.without(sound(), "w1"),
            Fixtures.wire("x1", "plc:RO", "drive:DI1"),
            Fixtures.wire("x2", "drive:P24", "plc:RC"));
    assertThat(findings(project)).isEmpty();
  }

  @Test
  void threeWireControlMayRestartItsPermission() {
    Project project =
        Fixtures.withSetting(Fixtures.withSetting(sound(), "P13", "allowed"), "P12", "three-wire");
    assertThat(findings(project)).isEmpty();
  }

  @Test
  void aReleaseThatIsWiredIsAPermission() {
    Project project = Fixtures.withSetting(sound(), "P17", "enable");
    assertThat(findings(with(project, Fixtures.wire("x1", "drive:P24", "drive:DI2")))).isEmpty();
  }

  @Test
  void theSettingsNameTheirCodeInThePlace() {
    Finding finding = findings(Fixtures.withSetting(sound(), "P3", 9.0)).get(0);
    assertThat(finding.place()).isEqualTo("axis/belt/drive/P3");
    assertThat(finding.seen()).contains("9 A").contains("8.05 A");
    assertThat(finding.severity()).isEqualTo(Severity.ERROR);
  }

  /** Whoever owns the manual request owns the reference (common practice). */
  @Test
  void handFollowsItsPotentiometerOnlyWhereTheRequestIsItsOwn() {
    assertThat(findings(hand("P17", "manual-request", "terminals")))
        .extracting(Finding::rule)
        .doesNotContain(Rule.HAND_REFERENCE)
        .contains(Rule.START_RACE);
  }

  @Test
  void theWorstComesFirst() {
    Project project =
        Fixtures.withSetting(Fixtures.withSetting(sound(), "P13", "allowed"), "P10", "keypad");
    assertThat(findings(project)).extracting(Finding::severity).isSorted();
  }
}
