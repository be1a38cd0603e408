package unimotus.core.path;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.Fixtures;
import unimotus.core.analog.SignalRange;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterPlace;
import unimotus.core.fieldbus.WordOrder;
import unimotus.core.motion.ShaftLoad;
import unimotus.core.motor.SpeedScale;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.OutputQuantity;
import unimotus.core.value.DriveValue;
import unimotus.core.value.Limits;
import unimotus.core.value.Scaling;
import unimotus.core.value.ValueType;
import unimotus.core.way.analog.AnalogLink;
import unimotus.core.way.analog.DriveInput;
import unimotus.core.way.analog.DriveReference;
import unimotus.core.way.analog.OutputModule;
import unimotus.core.way.analog.ProgramCounts;
import unimotus.core.way.number.DriveNumber;
import unimotus.core.way.number.ProgramNumber;
import unimotus.core.way.number.Taking;

/**
 * Every stage of a path by itself: value, way back, limits, step, sum and what holds it (by hand).
 */
class StageTest {
  private static final ProgramScale PROGRAM =
      new ProgramScale(5, 25, MeasureUnit.METRES_PER_MINUTE, 0);
  private static final OutputModule AMPS = new OutputModule("AO0", SignalRange.MA_4_20, 27648, 12);
  private static final OutputModule BIPOLAR =
      new OutputModule("AO1", SignalRange.V_BIPOLAR_10, 27648, 12);
  private static final DriveReference REFERENCE = new DriveReference(10, 50, 15, 45, 0, "P19, P20");
  private static final AnswerModule BACK = new AnswerModule("AI0", SignalRange.MA_4_20, 27648);
  private static final AnswerProgram NUMBER =
      new AnswerProgram(27648, 30, MeasureUnit.METRES_PER_MINUTE);
  private static final MotorPoles POLES = new MotorPoles(4, -1, 60);
  private static final SlipStage SLIP = new SlipStage(44, 26, new ShaftLoad(0.1, 13, 0, 0), false);
  private static final ShownQuantity SHOWN =
      new ShownQuantity(
          OutputQuantity.FREQUENCY,
          0,
          60,
          new InductionMotor(POLES, SLIP),
          Fixtures.PLATE,
          new ShaftLoad(0.1, 13, 0, 0));
  private static final DriveAnswer ANSWER = new DriveAnswer("AO1", SignalRange.MA_4_20, SHOWN);
  private static final GearStage GEAR = new GearStage(40);
  private static final ProductStage DRUM =
      new ProductStage(Math.PI * 0.5, MeasureUnit.METRES_PER_MINUTE, "π·d");

  private static DriveInput input(SignalRange sent, SignalRange range) {
    return new DriveInput("AI1", sent, range, 250, 1, 0, 0, false, 12, Option.FAULT);
  }

  private static RegisterEntry entry(ValueType type, double scale, double offset) {
    RegisterEntry e = Fixtures.reference(type, scale, "Hz", 400);
    return new RegisterEntry(
        DriveValue.named(
            e.name(),
            e.type(),
            new Scaling(scale, offset, e.unit()),
            new Limits(0, 400),
            e.access()),
        new RegisterPlace(e.table(), e.address(), e.order(), e.group()));
  }

  private static final SpeedScale SPEEDS = new SpeedScale(50, 4);

  static Stream<Stage> stages() {
    return Stream.of(
        PROGRAM,
        new ProgramCounts(27648, 0),
        AMPS,
        BIPOLAR,
        input(SignalRange.MA_4_20, SignalRange.MA_4_20),
        input(SignalRange.MA_4_20, SignalRange.MA_4_20).turnedRound(),
        input(SignalRange.V_0_10, SignalRange.MA_0_20),
        new DriveReference(10, 50, 0, 60, 0, ""),
        new ProgramNumber(entry(ValueType.UNSIGNED_16, 0.01, 0), "register", SPEEDS, 10, 50),
        new ProgramNumber(entry(ValueType.UNSIGNED_16, 0.01, 3), "register", SPEEDS, 10, 50),
        DriveNumber.asMeant(
            entry(ValueType.UNSIGNED_16, 0.01, 3), SPEEDS, new FrequencyLimits(0, 400)),
        POLES,
        SLIP,
        new SlipStage(44, 26, new ShaftLoad(0.1, 3, 0.002, 1e-6), false),
        GEAR,
        DRUM,
        ANSWER,
        BACK,
        NUMBER);
  }

  /** What goes in for what came out is what went in, within a step on either side. */
  @ParameterizedTest
  @MethodSource("stages")
  void theWayBackLeadsBack(Stage stage) {
    double low = Math.max(stage.low(), -3000);
    double high = Math.min(stage.high(), 3000);
    for (double share : new double[] {0.3, 0.5, 0.77}) {
      double out = low + share * (high - low);
      assertThat(stage.forward(stage.inverse(out)))
          .as("%s at %s", stage, out)
          .isCloseTo(out, within(Math.max(1e-6, 1.01 * stage.step())));
    }
    assertThat(stage.from()).isNotEqualTo(stage.to());
  }

  /** In, out, the sum with its numbers, and where they come from. */
  static Stream<Arguments> sums() {
    return Stream.of(
        sum(PROGRAM, 10, 25, "(10 − 5)/(25 − 5)·100", "program: 5 to 25 m/min"),
        sum(
            new ProgramCounts(27648, 0),
            50,
            13824,
            "50/100·27648, whole",
            "program: 27648 counts at 100 %"),
        sum(AMPS, 13824, 12, "4 + 13824/27648·16", "module AO0: 4-20 mA, 27648 counts, 12 bit"),
        sum(BIPOLAR, -13824, -5, "-13824/27648·10", "module AO1: ±10 V, 27648 counts, 12 bit"),
        sum(
            input(SignalRange.MA_4_20, SignalRange.MA_4_20),
            12,
            50,
            "(12 − 4)/(20 − 4)·100",
            "input AI1: 4-20 mA"),
        sum(
            input(SignalRange.MA_4_20, SignalRange.MA_4_20).turnedRound(),
            8,
            75,
            "100 − (8 − 4)/(20 − 4)·100",
            "input AI1: 4-20 mA, inverted"),
        sum(
            input(SignalRange.V_BIPOLAR_10, SignalRange.V_BIPOLAR_10),
            5,
            50,
            "(5 − 0)/(10 − 0)·100",
            "input AI1: ±10 V"),
        sum(REFERENCE, 50, 30, "10 + 50/100·(50 − 10)", "drive P19, P20"),
        sum(
            new ProgramNumber(entry(ValueType.UNSIGNED_16, 0.01, 0), "register", SPEEDS, 0, 50),
            50,
            2500,
            "0 + 50/100·(50 − 0) = 25 Hz; 25/0.01, whole",
            "program: "),
        sum(
            new ProgramNumber(entry(ValueType.UNSIGNED_16, 0.01, 3), "register", SPEEDS, 0, 50),
            50,
            2200,
            "0 + 50/100·(50 − 0) = 25 Hz; (25 − 3)/0.01, whole",
            "program: "),
        sum(
            new ProgramNumber(entry(ValueType.FLOAT_32, 1, 0), "register", SPEEDS, 0, 50),
            50,
            25,
            "= 25 Hz; 25/1",
            "program: "),
        sum(
            DriveNumber.asMeant(
                entry(ValueType.UNSIGNED_16, 0.01, 0), SPEEDS, new FrequencyLimits(0, 400)),
            2500,
            25,
            "2500·0.01",
            "drive: "),
        sum(
            DriveNumber.asMeant(
                entry(ValueType.UNSIGNED_16, 0.01, 3), SPEEDS, new FrequencyLimits(0, 400)),
            2200,
            25,
            "2200·0.01 + 3",
            "drive: "),
        sum(POLES, 50, -1500, "120·50/4", "IEC 60034-1; motor plate: 4 poles"),
        sum(
            SLIP,
            1500,
            1478,
            "1500 − 44·13/26",
            "common practice; motor plate: 44 rpm at 26 N·m; load of the axis"),
        sum(
            new SlipStage(44, 26, new ShaftLoad(0.1, 13, 0, 0), true),
            1500,
            1500,
            "1500",
            "drive compensates slip"),
        sum(GEAR, 1456, 36.4, "1456/40", "gear 40 : 1"),
        sum(DRUM, 10, 15.7079632679, "10·1.5708", "mechanics: π·d = 1.5708"),
        sum(
            ANSWER,
            -30,
            12,
            "4 + (30 − 0)/(60 − 0)·16",
            "output AO1: output frequency, 4-20 mA at 60 Hz"),
        sum(BACK, 12, 13824, "(12 − 4)/16·27648, whole", "module AI0: 4-20 mA, 27648 counts"),
        sum(NUMBER, 13824, 15, "13824/27648·30", "program: 30 m/min at 27648 counts"));
  }

  private static Arguments sum(Stage stage, double in, double out, String put, String source) {
    return Arguments.of(stage, in, out, put, source);
  }

  @ParameterizedTest
  @MethodSource("sums")
  void everySumShowsItsNumbers(Stage stage, double in, double out, String put, String source) {
    assertThat(stage.forward(in)).isCloseTo(out, within(Math.max(1e-6, stage.step())));
    var sum = stage.sum(in, stage.forward(in));
    assertThat(sum.value()).isCloseTo(out, within(Math.max(1e-6, stage.step())));
    assertThat(plain(sum.substitution())).contains(put);
    assertThat(plain(sum.source())).startsWith(source);
    assertThat(sum.source()).endsWith(stage.origin());
    assertThat(sum.unit()).isEqualTo(stage.unit());
  }

  /** Without the thin space between thousands, and with the minus of a keyboard. */
  private static String plain(String text) {
    return text.replaceAll("(?<=\\d)\\h(?=\\d{3})", "").replaceAll("−(?=\\d)", "-");
  }

  private static void held(Stage stage, double in, String by) {
    assertThat(stage.condition(in))
        .as("%s at %s", stage, in)
        .hasValueSatisfying(c -> assertThat(plain(c)).contains(by));
  }

  private static void free(Stage stage, double... ins) {
    for (double in : ins) {
      assertThat(stage.condition(in)).as("%s at %s", stage, in).isEqualTo(Optional.empty());
    }
  }

  @Test
  void whatHoldsAValueBackIsTold() {
    free(PROGRAM, 5, 15, 25);
    held(PROGRAM, 25.1, "held at 100 %: the program's span ends at 25 m/min");
    held(PROGRAM, 4.9, "held at 0 %: the program's span begins there");
    free(AMPS, 0, 27648);
    held(AMPS, 27649, "held at 20 mA: the module's full scale is 27648 counts");
    held(AMPS, -1, "held at 4 mA: the module's range ends there");
    free(BIPOLAR, -27648, 27648);
    held(BIPOLAR, -27649, "held at -10 V");
    free(REFERENCE, 12.5, 87.5);
    held(REFERENCE, 87.6, "held at 45 Hz: maximum frequency");
    held(REFERENCE, 12.4, "lifted to 15 Hz: minimum frequency");
    free(ANSWER, 60, -60);
    held(ANSWER, -60.1, "held at full scale: the output shows no more than 60 Hz");
    ProgramNumber register =
        new ProgramNumber(entry(ValueType.UNSIGNED_16, 0.01, 0), "register", SPEEDS, 0, 500);
    free(register, 0, 80);
    held(register, 81, "held at 400 Hz: the register takes no more");
    assertThat(register.forward(100)).isEqualTo(40_000);
  }

  @Test
  void aDriveInputTellsLossLimitsAndDeadBand() {
    DriveInput live = input(SignalRange.MA_4_20, SignalRange.MA_4_20);
    free(live, 4, 12, 20);
    held(live, 3.5, "3.5 mA is below the live zero: the drive takes it for a wire break (fault)");
    held(live, 20.1, "held at 100 %: the input's range ends at 20 mA");
    assertThat(live.isLost(3.5)).isTrue();
    assertThat(live.isLost(4)).isFalse();
    DriveInput zero = input(SignalRange.V_0_10, SignalRange.V_0_10);
    held(zero, -0.1, "held at 0 %: below the input's range");
    free(zero.withDeadBand(5), 0.5, 1);
    held(zero.withDeadBand(5), 0.49, "inside the dead band of 5 %");
    assertThat(zero.withDeadBand(5).forward(0.49)).isZero();
    assertThat(zero.withDeadBand(5).forward(0.5)).isCloseTo(5, within(0.03));
    DriveInput quiet =
        new DriveInput(
            "AI1", SignalRange.MA_4_20, SignalRange.MA_4_20, 250, 1, 0, 0, false, 12, Option.NONE);
    assertThat(quiet.isLost(0)).isFalse();
    assertThat(zero.behind(0.9, 0.5).forward(5)).isCloseTo(50, within(0.03));
    assertThat(zero.behind(0.9, 0.5).inverse(50)).isCloseTo(5, within(1e-9));
    assertThat(zero.withRange(SignalRange.V_0_5).forward(2.5)).isCloseTo(50, within(0.03));
  }

  /** Volts over a burden of 250 Ω are milliamps; milliamps into 100 kΩ drive it to its end. */
  @Test
  void theOtherKindOfSignalIsTakenForWhatItMakes() {
    DriveInput amps = input(SignalRange.V_0_10, SignalRange.MA_0_20);
    assertThat(amps.forward(5)).isCloseTo(100, within(0.03));
    assertThat(amps.forward(2.5)).isCloseTo(50, within(0.03));
    assertThat(amps.inverse(50)).isCloseTo(2.5, within(1e-9));
    DriveInput volts = input(SignalRange.MA_4_20, SignalRange.V_0_10);
    assertThat(volts.forward(4)).isCloseTo(100, within(0.03));
    assertThat(volts.forward(0.1)).isZero();
    assertThat(volts.forward(0)).isZero();
    assertThat(volts.inverse(50)).isCloseTo(12, within(1e-9));
  }

  /** Twelve bits on 16 mA, 24 mA of span, and on ±10 V. */
  @Test
  void stepsAreThoseOfTheConverter() {
    assertThat(AMPS.step()).isCloseTo(16 / 4096.0, within(1e-12));
    assertThat(BIPOLAR.step()).isCloseTo(20 / 4096.0, within(1e-12));
    assertThat(new OutputModule("AO0", SignalRange.V_0_10, 1000, 16).step())
        .isCloseTo(0.01, within(1e-12));
    assertThat(input(SignalRange.MA_4_20, SignalRange.MA_4_20).step())
        .isCloseTo(100 / 4096.0, within(1e-12));
    assertThat(input(SignalRange.V_BIPOLAR_10, SignalRange.V_BIPOLAR_10).step())
        .isCloseTo(200 / 4096.0, within(1e-12));
    assertThat(NUMBER.step()).isCloseTo(30 / 27648.0, within(1e-12));
    assertThat(REFERENCE.step()).isEqualTo(0.01);
    assertThat(BACK.step()).isEqualTo(1);
    assertThat(GEAR.step()).isZero();
    assertThat(GEAR.low()).isEqualTo(Double.NEGATIVE_INFINITY);
    // 1000 rpm a step at four poles are 33.3 Hz, whichever way the scale goes.
    assertThat(
            DriveNumber.asMeant(
                    entry(ValueType.SIGNED_16, -0.01, 0), SPEEDS, new FrequencyLimits(0, 60))
                .step())
        .isCloseTo(0.01, within(1e-12));
  }

  @ParameterizedTest
  @CsvSource({"27648, 100", "32000, 100", "-27648, -100", "-30000, -100", "13824, 50"})
  void aBipolarModuleEndsOnBothSides(double counts, double percent) {
    assertThat(SignalRange.V_BIPOLAR_10.percentAt(BIPOLAR.forward(counts)))
        .isCloseTo(percent, within(0.05));
  }

  @Test
  void limitsAreThoseOfTheStage() {
    assertThat(List.of(PROGRAM.low(), PROGRAM.high())).containsExactly(0.0, 100.0);
    assertThat(List.of(AMPS.low(), AMPS.high())).containsExactly(4.0, 20.0);
    assertThat(List.of(REFERENCE.low(), REFERENCE.high())).containsExactly(15.0, 45.0);
    assertThat(new DriveReference(0, 50, 15, 45, -100, "").low()).isEqualTo(-45);
    assertThat(List.of(POLES.low(), POLES.high())).containsExactly(-1800.0, 1800.0);
    assertThat(List.of(ANSWER.low(), ANSWER.high())).containsExactly(4.0, 20.0);
    assertThat(new DriveAnswer("AO1", SignalRange.V_BIPOLAR_10, SHOWN).low()).isZero();
    assertThat(List.of(BACK.low(), BACK.high())).containsExactly(0.0, 27648.0);
    assertThat(new AnswerModule("AI0", SignalRange.V_BIPOLAR_10, 27648).low()).isEqualTo(-27648);
    assertThat(BACK.forward(3.9)).as("below the live zero").isZero();
    assertThat(BACK.forward(21)).isEqualTo(27648);
    assertThat(List.of(NUMBER.low(), NUMBER.high())).containsExactly(0.0, 30.0);
    assertThat(new ProgramCounts(1000, -100).low()).isEqualTo(-1000);
    assertThat(new ProgramCounts(1000, 0).high()).isEqualTo(1000);
    ProgramNumber down =
        new ProgramNumber(entry(ValueType.UNSIGNED_16, 0.01, 0), "register", SPEEDS, 50, 10);
    assertThat(List.of(down.low(), down.high())).containsExactly(1000.0, 5000.0);
    DriveNumber register =
        DriveNumber.asMeant(
            entry(ValueType.UNSIGNED_16, 0.01, 0), SPEEDS, new FrequencyLimits(5, 60));
    assertThat(List.of(register.low(), register.high())).containsExactly(5.0, 60.0);
    assertThat(register.forward(100)).isEqualTo(5);
    held(register, 100, "lifted to 5 Hz");
    assertThat(register.with(new FrequencyLimits(0, 20)).forward(3000)).isEqualTo(20);
    assertThat(register.with(Scaling.of(0.1, "Hz")).forward(300)).isEqualTo(30);
    // 0x01F4 taken byte by byte the other way is 0xF401.
    Taking swapped =
        raw ->
            WordOrder.BADC.raw(
                ValueType.UNSIGNED_16, WordOrder.ABCD.words(ValueType.UNSIGNED_16, raw));
    assertThat(register.with(swapped).with(new FrequencyLimits(0, 1000)).forward(500))
        .isCloseTo(0xF401 * 0.01, within(1e-9));
  }

  /** Torque that grows with the square: n = n_s − k·(T₀ + k₁n + k₂n²), checked by putting in. */
  @Test
  void slipSolvesTheWholeLoad() {
    ShaftLoad fan = new ShaftLoad(0.1, 3, 0.002, 8e-6);
    SlipStage stage = new SlipStage(44, 26, fan, false);
    double n = stage.forward(1500);
    assertThat(n + 44 / 26.0 * (3 + 0.002 * n + 8e-6 * n * n)).isCloseTo(1500, within(1e-6));
    assertThat(stage.forward(-1500)).isCloseTo(-n, within(1e-9));
    assertThat(stage.inverse(n)).isCloseTo(1500, within(1e-6));
    assertThat(stage.inverse(-n)).isCloseTo(-1500, within(1e-6));
    assertThat(stage.inverse(0)).isZero();
    // Breakaway of 3 N·m needs 5.08 rpm of slip.
    assertThat(stage.forward(5)).isZero();
    assertThat(stage.forward(5.2)).isPositive();
    assertThat(stage.sum(5, 0).substitution()).contains("5 − 44·0/26");
    assertThat(new SlipStage(44, 26, fan, true).forward(1500)).isEqualTo(1500);
  }

  @Test
  void aLinkThatStandsOrIsLimitedGivesThatFrequency() {
    AnalogLink link =
        new AnalogLink(
            new ProgramCounts(27648, 0),
            AMPS,
            input(SignalRange.MA_4_20, SignalRange.MA_4_20),
            REFERENCE);
    assertThat(link.limits()).isEqualTo(new FrequencyLimits(15, 45));
    assertThat(link.maximumHertz()).isEqualTo(45);
    assertThat(link.frequencyAtFullHertz()).isEqualTo(50);
    assertThat(link.standingAt(22).reference().forward(80)).isEqualTo(22);
    assertThat(link.limited(20, 40).reference().forward(100)).isEqualTo(40);
    assertThat(link.limited(20, 40).reference().forward(0)).isEqualTo(20);
    assertThat(link.limited(20, 40).reference().forward(50)).isEqualTo(30);
    assertThat(link.isLost(link.input(), 2)).isTrue();
    assertThat(link.isLost(link.module(), 2)).isFalse();
    assertThat(link.with(BIPOLAR).module()).isEqualTo(BIPOLAR);
    assertThat(link.with(new ProgramCounts(10, 0)).counts().fullScaleCounts()).isEqualTo(10);
  }
}
