package unimotus.core.way;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.Fixtures;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.machine.Answer;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.ConductorSize;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reference;
import unimotus.core.machine.Shield;
import unimotus.core.machine.Wire;
import unimotus.core.machine.WireMake;
import unimotus.core.path.AnalogLinkChecks;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.sheet.SettingValue;
import unimotus.core.value.ValueType;

/** Why a path cannot be told, and what is wrong on one, with the numbers (worked by hand). */
class PathFindingsTest {
  private static final Project BELT = Fixtures.project();

  private static Project volts() {
    Project project = Fixtures.withChannel(BELT, "AO0.range", "0-10 V");
    return Fixtures.withSetting(
        Fixtures.withDriveSelector(project, "AI1.kind", "voltage"), "P18", "0-10 V");
  }

  private static Optional<String> fault(Project project) {
    return PathFactory.fault(Fixtures.assembly(project));
  }

  private static Project reference(String output, String input) {
    return Fixtures.withReference(
        BELT, Fixtures.axis(BELT).reference().withTerminals(output, input));
  }

  private static Project answer(String output, String input) {
    return BELT.with(Fixtures.axis(BELT).withAnswer(new Answer(output, input, 25, 27648)));
  }

  private static Project setting(String code, SettingValue value) {
    Drive drive = BELT.drives().get(0);
    return BELT.with(drive.withSetting(code, value));
  }

  @Test
  void aPathThatCannotBeToldSaysWhy() {
    assertThat(fault(BELT)).isEmpty();
    assertThat(fault(reference("AO9", "AI1"))).contains("Controller has no terminal 'AO9'");
    assertThat(fault(reference("AO0", "AI9"))).contains("Drive has no terminal 'AI9'");
    assertThat(fault(answer("AO9", "AI0"))).contains("Drive has no terminal 'AO9'");
    assertThat(fault(answer("AO1", "AI9"))).contains("Controller has no terminal 'AI9'");
    assertThat(fault(reference(null, null))).isEmpty();
    ServoPlate servo = new ServoPlate(6, 5, 3000, 4.8, 1.2, 300, 8, 4096, 0, 230, 0.0004);
    assertThat(fault(BELT.with(BELT.motors().get(0).withPlate(servo))))
        .contains("Motor is a permanent-magnet servo motor, Test drive runs induction motors");
    assertThat(
            fault(
                Fixtures.withPlate(
                    BELT, new InductionPlate(4000, 400, 8.05, 50, 3100, 0.81, 1, 0.0135))))
        .hasValueSatisfying(f -> assertThat(f).contains("3100"));
    assertThat(
            fault(Fixtures.overRegister(Fixtures.reference(ValueType.UNSIGNED_16, 0.01, "A", 400))))
        .contains("Frequency reference is counted in 'A', which tells no speed");
  }

  /** Only what the path goes over counts: another channel or another terminal does not. */
  @Test
  void onlyWhatIsOnTheWayIsUnusable() {
    assertThat(fault(Fixtures.withChannel(BELT, "AO0.range", "4..20 mA")))
        .hasValueSatisfying(f -> assertThat(f).contains("AO0.range").contains("4..20 mA"));
    assertThat(fault(Fixtures.withDriveSelector(BELT, "AI1.kind", "amps")))
        .hasValueSatisfying(f -> assertThat(f).contains("AI1.kind").contains("'amps'"));
    assertThat(fault(Fixtures.withDriveSelector(BELT, "logic", "npn"))).isEmpty();
    assertThat(fault(setting("P18", new SettingValue.Choice("4..20 mA")))).isPresent();
    assertThat(fault(setting("P5", new SettingValue.Number(1e9)))).isPresent();
    assertThat(fault(setting("P24", new SettingValue.Choice("nonsense")))).isPresent();
    assertThat(fault(setting("P16", new SettingValue.Choice("nonsense"))))
        .as("the function of a binary input is not on the way")
        .isEmpty();
    assertThat(fault(setting("P99", new SettingValue.Number(1)))).as("unknown").isEmpty();
    Project bare =
        Fixtures.withReference(BELT, Fixtures.axis(BELT).reference().withTerminals(null, null));
    bare = bare.with(Fixtures.axis(bare).withAnswer(new Answer(null, null, 25, 27648)));
    assertThat(
            fault(bare.with(bare.drives().get(0).withSetting("P18", new SettingValue.Choice("x")))))
        .as("of a terminal nobody uses")
        .isEmpty();
  }

  private static List<Finding> found(Project project, Rule rule) {
    AxisAssembly axis = Fixtures.assembly(project);
    List<Finding> all = new ArrayList<>(PathFactory.check(axis, PathFactory.of(axis)));
    all.addAll(AnalogLinkChecks.check(axis));
    return all.stream().filter(f -> f.rule() == rule).toList();
  }

  private static void told(Project project, Rule rule, String place, String... words) {
    assertThat(found(project, rule))
        .as("%s", rule)
        .singleElement()
        .satisfies(
            f -> {
              assertThat(f.place()).isEqualTo("axis/belt/" + place);
              assertThat(
                      (f.seen() + " | " + f.why() + " | " + f.remedy())
                          .replaceAll("(?<=\\d)\\h(?=\\d{3})", ""))
                  .contains(words);
            });
  }

  @Test
  void liveZerosFadeOrBreak() {
    told(
        Fixtures.withSetting(BELT, "P18", "0-20 mA"),
        Rule.LIVE_ZERO,
        "reference",
        "AO0 sends 4-20 mA, AI1 reads 0-20 mA: at 0 % the drive reads 20 %, fading",
        "Set AI1 to 4-20 mA (P18 ");
    told(
        Fixtures.withChannel(BELT, "AO0.range", "0-20 mA"),
        Rule.LIVE_ZERO,
        "reference",
        "the drive reads nothing below 20 % of the controller's span and takes it for a wire break");
    told(
        Fixtures.withChannel(BELT, "AO0.range", "0-10 V"),
        Rule.SIGNAL_KIND,
        "reference",
        "AO0 sends 0-10 V, AI1 reads 4-20 mA");
  }

  @Test
  void theSwitchDecidesWhatATerminalTakes() {
    told(
        Fixtures.withDriveSelector(BELT, "AI1.kind", "voltage"),
        Rule.INPUT_SELECTOR,
        "drive/AI1",
        "the switch of AI1 is at voltage, P18 ",
        "is set to 4-20 mA",
        "Put the switch to current");
    told(
        Fixtures.withDriveSelector(volts(), "AI1.kind", "current"),
        Rule.INPUT_SELECTOR,
        "drive/AI1",
        "is at current",
        "Put the switch to voltage");
    assertThat(found(volts(), Rule.INPUT_SELECTOR)).isEmpty();
    assertThat(found(BELT, Rule.INPUT_SELECTOR)).isEmpty();
  }

  @Test
  void fullScalesAreCompared() {
    told(
        Fixtures.withChannel(BELT, "AO0.fs", "32767"),
        Rule.RAW_FULL_SCALE,
        "reference",
        "the program writes 27648 counts for 100 %, the module takes 32767 as full scale: ratio 0.84378",
        "Full speed is never reached",
        "Scale to 32767");
    Reference more = new Reference("AO0", "AI1", 0, 25, 0, 50, 32767, 0.05);
    told(
        Fixtures.withReference(BELT, more),
        Rule.RAW_FULL_SCALE,
        "reference",
        "ratio 1.1851",
        "The top of the range is cut off");
  }

  /** Twelve bits on 25 m/min are 6.1 mm/min a step. */
  @ParameterizedTest
  @CsvSource({"0.0062, 0", "0.006, 1"})
  void stepsAreHeldAgainstWhatIsWanted(double wanted, int findings) {
    Reference fine = new Reference("AO0", "AI1", 0, 25, 0, 50, 27648, wanted);
    assertThat(found(Fixtures.withReference(BELT, fine), Rule.RESOLUTION)).hasSize(findings);
    Reference shifted = new Reference("AO0", "AI1", 25, 50, 0, 50, 27648, wanted);
    assertThat(found(Fixtures.withReference(BELT, shifted), Rule.RESOLUTION)).hasSize(findings);
  }

  @Test
  void aReferenceBeyondTheMaximumIsClamped() {
    // From 10 to 60 Hz over a maximum of 40: three fifths of the reference.
    Project wide = Fixtures.withSetting(Fixtures.withSetting(BELT, "P20", 60.0), "P19", 10.0);
    told(
        Fixtures.withSetting(wide, "P5", 40.0),
        Rule.CLAMPED_MAXIMUM,
        "drive/P5",
        "the reference runs to 60 Hz, the maximum frequency is 40 Hz",
        "Above 60 % of the reference");
    assertThat(found(Fixtures.withSetting(BELT, "P5", 49.96), Rule.CLAMPED_MAXIMUM)).isEmpty();
    assertThat(found(Fixtures.withSetting(BELT, "P5", 49.9), Rule.CLAMPED_MAXIMUM)).hasSize(1);
  }

  @Test
  void aMinimumLiftsTheReference() {
    told(
        Fixtures.withSetting(BELT, "P4", 10.0),
        Rule.MINIMUM_FLOOR,
        "drive/P4",
        "the reference begins at 0 Hz, the minimum frequency is 10 Hz");
    assertThat(found(Fixtures.withSetting(BELT, "P4", 0.04), Rule.MINIMUM_FLOOR)).isEmpty();
  }

  @Test
  void endsOfTheSpanAreCompared() {
    told(
        Fixtures.withSetting(BELT, "P20", 60.0),
        Rule.SPAN_ENDS,
        "reference",
        "the program means 0 to 50 Hz, the drive makes 0 to 60 Hz of it",
        "to 0 and 50 Hz");
    told(Fixtures.withSetting(BELT, "P19", 5.0), Rule.SPAN_ENDS, "reference", "makes 5 to 50 Hz");
    assertThat(found(Fixtures.withSetting(BELT, "P20", 50.04), Rule.SPAN_ENDS)).isEmpty();
    assertThat(found(Fixtures.withSetting(BELT, "P19", 0.04), Rule.SPAN_ENDS)).isEmpty();
  }

  private static Project laid(
      Project project, String wire, double squareMillimetres, double metres, Shield shield) {
    WireMake make =
        WireMake.PLAIN
            .withSize(ConductorSize.metric(squareMillimetres))
            .withLength(metres)
            .withShield(shield);
    List<Wire> wires =
        project.wires().stream().map(w -> w.id().equals(wire) ? w.withMake(make) : w).toList();
    return project.withWires(wires);
  }

  /**
   * 2000 m of 0.05 mm² are 690 Ω there and as much back; the output drives 500 Ω (0.01724 Ω·mm²/m).
   */
  @Test
  void aLoopThatIsTooLongIsNamedWithItsOhms() {
    Project there = laid(BELT, "w3", 0.05, 2000, Shield.PANEL_END);
    assertThat(found(there, Rule.BURDEN))
        .singleElement()
        .satisfies(
            f -> {
              assertThat(f.place()).isEqualTo("axis/belt/wires/reference");
              assertThat(f.seen())
                  .startsWith("AO0 sends 20 mA and AI1 receives ")
                  .contains("wires included, AO0 drives at most 500 Ω");
              assertThat(ohms(f)).isBetween(930.0, 950.0);
              assertThat(f.remedy()).startsWith("Shorten the way");
            });
    Project back = laid(there, "w4", 0.05, 2000, Shield.PANEL_END);
    assertThat(ohms(found(back, Rule.BURDEN).get(0))).isBetween(1610.0, 1640.0);
    assertThat(found(laid(BELT, "w3", 0.05, 600, Shield.PANEL_END), Rule.BURDEN)).isEmpty();
  }

  private static double ohms(Finding finding) {
    String load = finding.seen().replaceAll(".*the load is ([\\d\\h.]+) Ω.*", "$1");
    return Double.parseDouble(load.replaceAll("\\h", ""));
  }

  /** A voltage into 100 kΩ loses half a percent behind 500 Ω of wire. */
  @Test
  void aVoltageThatIsLostOnTheWayIsNamed() {
    assertThat(found(laid(volts(), "w3", 0.05, 1400, Shield.PANEL_END), Rule.VOLTAGE_DROP))
        .isEmpty();
    assertThat(found(laid(volts(), "w3", 0.05, 1600, Shield.PANEL_END), Rule.VOLTAGE_DROP))
        .singleElement()
        .satisfies(
            f -> {
              assertThat(f.seen())
                  .startsWith("AO0 sends 10 V and AI1 receives 9.9")
                  .contains("at least 1000 Ω");
              assertThat(f.remedy()).contains("send a current instead");
            });
    assertThat(found(volts(), Rule.VOLTAGE_DROP)).isEmpty();
  }

  @Test
  void anAnalogWireWithoutAShieldIsNamedWithItsLength() {
    told(
        laid(BELT, "w3", 0.75, 12, Shield.NONE),
        Rule.SHIELD,
        "wires/w3",
        "wire w3 carries the reference over 12 m without a shield");
    told(
        laid(BELT, "w5", 0.75, 7, Shield.NONE),
        Rule.SHIELD,
        "wires/w5",
        "wire w5 carries the actual value over 7 m without a shield");
    assertThat(found(laid(BELT, "w3", 0.75, 12, Shield.PANEL_END), Rule.SHIELD)).isEmpty();
    assertThat(found(laid(BELT, "w1", 0.75, 12, Shield.NONE), Rule.SHIELD))
        .as("a binary wire wants none")
        .isEmpty();
    assertThat(found(laid(BELT, "w3", 0.75, 0, Shield.NONE), Rule.SHIELD)).isEmpty();
  }

  @Test
  void aLostLiveZeroWithoutActionIsNamed() {
    told(
        Fixtures.withSetting(BELT, "P23", "none"),
        Rule.SIGNAL_LOSS,
        "drive/AI1",
        "4-20 mA has a live zero, but a lost signal does nothing",
        "Set P23 ");
    assertThat(found(BELT, Rule.SIGNAL_LOSS)).isEmpty();
  }
}
