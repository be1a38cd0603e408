package unimotus.core.detective;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.DoubleStream;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.value.ValueType;
import unimotus.core.way.PathFactory;
import unimotus.core.way.analog.AnalogCause;
import unimotus.core.way.register.RegisterCause;

/**
 * Every cause in all its variants on the belt (4-20 mA, 0 to 50 Hz, 0 to 25 m/min, 27648 counts):
 * which numbers are tried, and what each makes of half speed, worked by hand.
 */
class VariantsTest {
  /** An axis with what was read on it. */
  private static final class Belt {
    private final AxisAssembly axis;
    private final SignalPath path;
    private final List<Clue> clues = new ArrayList<>();

    Belt(Project project) {
      this.axis = Fixtures.assembly(project);
      this.path = PathFactory.of(axis);
    }

    static Belt volts() {
      Project project = Fixtures.withChannel(Fixtures.project(), "AO0.range", "0-10 V");
      return new Belt(
          Fixtures.withSetting(
              Fixtures.withDriveSelector(project, "AI1.kind", "voltage"), "P18", "0-10 V"));
    }

    static Belt register(String unit, double scale, ValueType type) {
      return new Belt(Fixtures.overRegister(Fixtures.reference(type, scale, unit, 400)));
    }

    Belt seen(String key, double amount) {
      Prediction p =
          Predictor.predict(axis, path).stream()
              .filter(q -> q.key().equals(key))
              .findFirst()
              .orElseThrow();
      Reading reading =
          new Reading("belt", key, amount, null, "", "2026-01-31T14:05:00Z", "", Map.of());
      clues.add(Clue.of(p, reading).orElseThrow());
      return this;
    }

    List<Variant> of(Cause cause) {
      return new Causes(path, clues).variants(cause);
    }

    List<String> texts(Cause cause) {
      return of(cause).stream().map(Variant::text).toList();
    }

    /** Display at half speed, 12.5 of 25 m/min, under each variant. */
    List<Double> atHalf(Cause cause) {
      return of(cause).stream().map(v -> tenth(v.path().value(Station.FREQUENCY, 12.5))).toList();
    }

    private static double tenth(double value) {
      return Math.rint(10 * value) / 10;
    }
  }

  private final Belt belt = new Belt(Fixtures.project());

  @Test
  void liveZeros() {
    assertThat(belt.texts(AnalogCause.DRIVE_DEAD_ZERO)).containsExactly("reads 0-20 mA");
    // 12 of 20 mA.
    assertThat(belt.atHalf(AnalogCause.DRIVE_DEAD_ZERO)).containsExactly(30.0);
    assertThat(belt.texts(AnalogCause.CONTROLLER_DEAD_ZERO)).containsExactly("sends 0-20 mA");
    // 10 mA are six of sixteen.
    assertThat(belt.atHalf(AnalogCause.CONTROLLER_DEAD_ZERO)).containsExactly(18.8);
    assertThat(belt.of(AnalogCause.DRIVE_LIVE_ZERO)).isEmpty();
    assertThat(belt.of(AnalogCause.CONTROLLER_LIVE_ZERO)).isEmpty();
    assertThat(Belt.volts().of(AnalogCause.DRIVE_DEAD_ZERO)).isEmpty();
    assertThat(Belt.volts().of(AnalogCause.CONTROLLER_DEAD_ZERO)).isEmpty();
    assertThat(Belt.volts().texts(AnalogCause.DRIVE_LIVE_ZERO)).containsExactly("reads 2-10 V");
    // 5 V are three of eight.
    assertThat(Belt.volts().atHalf(AnalogCause.DRIVE_LIVE_ZERO)).containsExactly(18.8);
    assertThat(Belt.volts().texts(AnalogCause.CONTROLLER_LIVE_ZERO))
        .containsExactly("sends 2-10 V");
    assertThat(Belt.volts().atHalf(AnalogCause.CONTROLLER_LIVE_ZERO)).containsExactly(30.0);
  }

  @Test
  void wiresAndSwitches() {
    assertThat(belt.of(AnalogCause.OPEN_WIRE)).as("an open loop is a dead output").isEmpty();
    assertThat(Belt.volts().atHalf(AnalogCause.OPEN_WIRE)).containsExactly(0.0);
    assertThat(belt.of(AnalogCause.DEAD_OUTPUT)).isNotEmpty();
    assertThat(belt.atHalf(AnalogCause.INPUT_INVERTED)).containsExactly(25.0);
    assertThat(belt.texts(AnalogCause.INPUT_KIND)).containsExactly("reads 0-10 V");
    assertThat(Belt.volts().texts(AnalogCause.INPUT_KIND)).containsExactly("reads 0-20 mA");
    assertThat(belt.of(AnalogCause.HALF_RANGE)).isEmpty();
    assertThat(Belt.volts().texts(AnalogCause.HALF_RANGE)).containsExactly("reads 0-5 V");
    assertThat(Belt.volts().atHalf(AnalogCause.HALF_RANGE)).containsExactly(50.0);
    assertThat(belt.texts(AnalogCause.DEAD_BAND)).allMatch(t -> t.endsWith(" %"));
  }

  /** 32767 written where 27648 are taken: full early; taken: short by 27648/32767. */
  @Test
  void fullScales() {
    List<String> texts = belt.texts(AnalogCause.RAW_FULL_SCALE);
    assertThat(texts).doesNotHaveDuplicates();
    assertThat(texts.stream().map(t -> t.replaceAll("\\h(?=\\d{3})", "")))
        .contains(
            "program writes 32767, module takes 27648", "program writes 27648, module takes 32767")
        .noneMatch(t -> t.equals("program writes 27648, module takes 27648"));
    assertThat(belt.atHalf(AnalogCause.RAW_FULL_SCALE)).contains(29.6, 21.1);
  }

  /** Usual top frequencies, and the one the display tells: 32 for 25 Hz is 64 Hz at full. */
  @Test
  void spans() {
    belt.seen("ref50.frequency", 32);
    assertThat(belt.texts(AxisCause.DRIVE_SPAN))
        .containsExactly(
            "40 Hz at full signal",
            "45 Hz at full signal",
            "60 Hz at full signal",
            "87 Hz at full signal",
            "100 Hz at full signal",
            "120 Hz at full signal",
            "64 Hz at full signal");
    assertThat(belt.of(AxisCause.DRIVE_SPAN))
        .extracting(Variant::fitted)
        .endsWith(true)
        .startsWith(false);
    assertThat(belt.atHalf(AxisCause.DRIVE_SPAN))
        .containsExactly(20.0, 22.5, 30.0, 43.5, 50.0, 60.0, 32.0);
  }

  /** A display of 20 for 25 Hz: 10.4 of 12 mA arrive, or 1.6 mA are taken away. */
  @Test
  void jointsAndOffsets() {
    belt.seen("ref50.frequency", 20);
    assertThat(belt.texts(AnalogCause.JOINT)).containsExactly("86.7 % arrives");
    assertThat(belt.atHalf(AnalogCause.JOINT)).containsExactly(20.0);
    assertThat(belt.texts(AnalogCause.OFFSET).stream().map(t -> t.replace('−', '-')))
        .containsExactly("-1.6 mA");
    assertThat(belt.atHalf(AnalogCause.OFFSET)).containsExactly(20.0);
    Belt full = new Belt(Fixtures.project()).seen("ref50.frequency", 50).seen("ref25.frequency", 0);
    assertThat(full.of(AnalogCause.OFFSET)).as("clamped readings tell no offset").isEmpty();
  }

  @Test
  void limits() {
    assertThat(belt.texts(AxisCause.MAXIMUM_CLAMP)).containsExactly("at 40 Hz", "at 45 Hz");
    belt.seen("ref100.frequency", 42.5).seen("ref50.frequency", 25);
    assertThat(belt.texts(AxisCause.MAXIMUM_CLAMP))
        .containsExactly("at 40 Hz", "at 45 Hz", "at 42.5 Hz");
    assertThat(belt.of(AxisCause.MAXIMUM_CLAMP).get(2).path().value(Station.FREQUENCY, 25))
        .isCloseTo(42.5, within(0.01));
    Belt floor = new Belt(Fixtures.project());
    assertThat(floor.texts(AxisCause.MINIMUM_FLOOR))
        .containsExactly("at 5 Hz", "at 10 Hz", "at 15 Hz", "at 20 Hz", "at 25 Hz", "at 30 Hz");
    floor.seen("ref0.frequency", 12).seen("ref50.frequency", 25);
    assertThat(floor.texts(AxisCause.MINIMUM_FLOOR)).endsWith("at 12 Hz").hasSize(7);
    assertThat(floor.of(AxisCause.MINIMUM_FLOOR).get(6).path().value(Station.FREQUENCY, 0))
        .isCloseTo(12, within(0.01));
    Belt lifted = new Belt(Fixtures.withSetting(Fixtures.project(), "P4", 20.0));
    assertThat(lifted.texts(AxisCause.MINIMUM_FLOOR)).containsExactly("at 25 Hz", "at 30 Hz");
    Belt still =
        new Belt(Fixtures.project()).seen("ref100.frequency", 0.2).seen("ref0.frequency", 0.2);
    assertThat(still.texts(AxisCause.MAXIMUM_CLAMP)).containsExactly("at 40 Hz", "at 45 Hz");
    assertThat(still.texts(AxisCause.MINIMUM_FLOOR)).hasSize(6);
  }

  @Test
  void anotherSourceStandsWhereItWasSeen() {
    assertThat(belt.of(AxisCause.OTHER_SOURCE)).isEmpty();
    belt.seen("ref25.frequency", 22).seen("ref50.frequency", 22).seen("ref100.frequency", 22.4);
    assertThat(belt.texts(AxisCause.OTHER_SOURCE)).containsExactly("stays at 22 Hz");
    assertThat(new Belt(Fixtures.project()).seen("ref50.frequency", 0.4).of(AxisCause.OTHER_SOURCE))
        .isEmpty();
    assertThat(new Belt(Fixtures.project()).seen("ref50.frequency", 0.5).of(AxisCause.OTHER_SOURCE))
        .hasSize(1);
  }

  @Test
  void motorAndMachine() {
    assertThat(belt.texts(AxisCause.POLES))
        .containsExactly("2 instead of 4", "6 instead of 4", "8 instead of 4");
    assertThat(belt.of(AxisCause.POLES).get(1).path().value(Station.SYNCHRONOUS, 25))
        .isCloseTo(1000, within(0.1));
    assertThat(belt.of(AxisCause.SIGN).get(0).path().value(Station.SHAFT, 25)).isNegative();
    assertThat(belt.texts(AxisCause.GEAR)).contains("machine × 0.5", "machine × 2").hasSize(9);
    double machine = belt.path.value(Station.MACHINE, 12.5);
    belt.seen("ref50.machine", 1.14 * machine);
    assertThat(belt.texts(AxisCause.GEAR)).endsWith("machine × 1.14").hasSize(10);
    assertThat(belt.of(AxisCause.GEAR).get(9).path().value(Station.MACHINE, 12.5))
        .isCloseTo(1.14 * machine, within(0.01));
    assertThat(belt.texts(AxisCause.SLIP))
        .containsExactly("2 times the slip", "3 times the slip", "4 times the slip");
    assertThat(belt.texts(AxisCause.IMPLIED_DECIMALS))
        .containsExactly("× 0.01", "× 0.1", "× 10", "× 100");
    assertThat(belt.atHalf(AxisCause.IMPLIED_DECIMALS)).containsExactly(0.2, 2.5, 50.0, 50.0);
  }

  @Test
  void timesAreFitted() {
    double up = 4.9;
    Prediction ramp =
        Predictor.predict(belt.axis, belt.path).stream()
            .filter(p -> p.key().equals(Predictor.RAMP_UP))
            .findFirst()
            .orElseThrow();
    up = Clue.amountUnder(ramp, Variant.of("", belt.path));
    assertThat(belt.of(AxisCause.RAMP_TIME)).isEmpty();
    belt.seen(Predictor.RAMP_UP, 2 * up);
    assertThat(belt.texts(AxisCause.RAMP_TIME))
        .containsExactly("2 times as long", "2 times as long");
    assertThat(belt.of(AxisCause.RAMP_TIME).get(0).scaled()).containsOnlyKeys(Predictor.RAMP_UP);
    assertThat(belt.of(AxisCause.RAMP_TIME).get(1).scaled())
        .containsOnlyKeys(Predictor.RAMP_UP, Predictor.STOP_TIME);
    assertThat(belt.of(AxisCause.LOAD_OTHERWISE)).isEmpty();
    assertThat(
            new Belt(Fixtures.project()).seen(Predictor.RAMP_UP, 60 * up).of(AxisCause.RAMP_TIME))
        .as("sixty times is no ramp")
        .isEmpty();
    assertThat(
            new Belt(Fixtures.project()).seen(Predictor.RAMP_UP, 0.01 * up).of(AxisCause.RAMP_TIME))
        .isEmpty();
  }

  /** Hertz taken for percent of 50 Hz or for rpm at four poles, and other decimals. */
  @Test
  void registers() {
    Belt hertz = Belt.register("Hz", 0.01, ValueType.UNSIGNED_16);
    List<String> scales = hertz.texts(RegisterCause.REGISTER_SCALE);
    assertThat(scales)
        .contains(
            "one step is 0.1 Hz in the drive",
            "one step is 0.001 Hz in the drive",
            "one step is 0.01 % in the drive",
            "one step is 0.01 rpm in the drive",
            "one step is 0.1 % in the drive")
        .doesNotContain("one step is 0.01 Hz in the drive");
    int percent = scales.indexOf("one step is 0.01 % in the drive");
    // 2500 steps are 25 %, and that is 12.5 Hz.
    assertThat(hertz.atHalf(RegisterCause.REGISTER_SCALE).get(percent)).isEqualTo(12.5);
    assertThat(hertz.texts(RegisterCause.REGISTER_ORDER)).containsExactly("taken as BADC");
    assertThat(hertz.of(AxisCause.DRIVE_SPAN)).isEmpty();
    Belt share = Belt.register("%", 0.1, ValueType.UNSIGNED_16);
    assertThat(share.texts(AxisCause.DRIVE_SPAN))
        .containsExactly(
            "100 % is 40 Hz in the drive",
            "100 % is 45 Hz in the drive",
            "100 % is 60 Hz in the drive",
            "100 % is 87 Hz in the drive",
            "100 % is 100 Hz in the drive",
            "100 % is 120 Hz in the drive");
    assertThat(share.atHalf(AxisCause.DRIVE_SPAN))
        .containsExactly(20.0, 22.5, 30.0, 43.5, 50.0, 60.0);
    assertThat(share.texts(RegisterCause.REGISTER_SCALE))
        .noneMatch(t -> t.equals("one step is 0.1 % in the drive"));
    Belt wide = Belt.register("Hz", 0.001, ValueType.UNSIGNED_32);
    assertThat(wide.texts(RegisterCause.REGISTER_ORDER))
        .containsExactly("taken as CDAB", "taken as BADC", "taken as DCBA");
    assertThat(hertz.of(AnalogCause.RAW_FULL_SCALE)).isEmpty();
    assertThat(belt.of(RegisterCause.REGISTER_SCALE)).isEmpty();
  }

  /** Two variants together: the texts, the path of the later one, words and factors of both. */
  @Test
  void variantsAreJoined() {
    Variant clamp = belt.of(AxisCause.MAXIMUM_CLAMP).get(0);
    Variant bridged = Variant.told("", belt.path, Map.of(Predictor.OPEN_STATUS, "ready"));
    Variant both = clamp.and(bridged);
    assertThat(both.text()).isEqualTo("at 40 Hz");
    assertThat(both.path()).isEqualTo(belt.path);
    assertThat(both.words()).containsEntry(Predictor.OPEN_STATUS, "ready");
    assertThat(both.fitted()).isFalse();
    Variant timed = Variant.timed("twice", belt.path, Map.of(Predictor.COAST, 2.0));
    assertThat(clamp.and(timed).text()).isEqualTo("at 40 Hz; twice");
    assertThat(clamp.and(timed).fitted()).isTrue();
    assertThat(timed.and(clamp).fitted()).isTrue();
    assertThat(timed.and(bridged).scaled()).containsEntry(Predictor.COAST, 2.0);
  }

  /** What several readings say together: the middle one counts, wild ones do not. */
  @Test
  void cluesAreTakenTogether() {
    belt.seen("ref25.frequency", 6.25).seen("ref50.frequency", 12.5).seen("ref75.frequency", 90);
    Clues together = new Clues(belt.path, belt.clues);
    assertThat(together.ratio(Station.FREQUENCY).orElseThrow()).isCloseTo(0.5, within(1e-3));
    assertThat(together.ratio(Station.SHAFT)).isEmpty();
    assertThat(together.at(Station.FREQUENCY)).hasSize(3);
    assertThat(together.mostHertz().boxed()).containsExactly(90.0);
    assertThat(together.leastHertz().boxed()).containsExactly(6.25);
    assertThat(Clues.median(DoubleStream.of(4, 1)).orElseThrow()).isEqualTo(2.5);
    assertThat(Clues.median(DoubleStream.of(9, 1, 4)).orElseThrow()).isEqualTo(4);
    assertThat(Clues.median(DoubleStream.empty())).isEmpty();
    Belt shaft =
        new Belt(Fixtures.project()).seen("ref100.shaft", 1500).seen("ref50.machine", 12.5);
    List<Double> hertz = new Clues(shaft.path, shaft.clues).hertz().boxed().toList();
    assertThat(hertz).hasSize(2);
    // At 1500 rpm of the shaft the field is ahead by the slip; 12.5 m/min are half of 50 Hz and
    // slip.
    assertThat(hertz.get(0)).isBetween(50.0, 50.3);
    assertThat(hertz.get(1)).isBetween(24.0, 26.0);
  }

  @Test
  void theRunInputIsJudgedByHalfItsVolts() {
    double full =
        Predictor.predict(belt.axis, belt.path).stream()
            .filter(p -> p.key().equals(Predictor.RUN_VOLTS))
            .mapToDouble(p -> Clue.amountUnder(p, Variant.of("", belt.path)))
            .findFirst()
            .orElseThrow();
    assertThat(new Clues(belt.path, belt.clues).shareOfRunVolts()).isZero();
    belt.seen(Predictor.RUN_VOLTS, 0.3 * full);
    assertThat(new Clues(belt.path, belt.clues).shareOfRunVolts()).isCloseTo(0.3, within(1e-3));
    assertThat(belt.of(AxisCause.NOT_RUNNING).get(0).scaled().get(Predictor.RUN_VOLTS))
        .isCloseTo(0.3, within(1e-3));
    Belt whole = new Belt(Fixtures.project()).seen(Predictor.RUN_VOLTS, full);
    assertThat(new Clues(whole.path, whole.clues).shareOfRunVolts()).isZero();
    assertThat(whole.of(AxisCause.RUN_IGNORED).get(0).scaled()).isEmpty();
  }

  @Test
  void causesHaveTheirWords() {
    for (Cause cause : AllCauses.all()) {
      assertThat(cause.title()).isNotBlank();
      assertThat(cause.signature()).endsWith(".");
      assertThat(cause.remedy()).matches(".*[.?]");
      assertThat(cause.isFault())
          .isEqualTo(cause != AxisCause.AS_DESIGNED && cause != AxisCause.NOT_EXPLAINED);
      Suspicion s = new Suspicion(cause, null, Variant.of("", belt.path), 0.5, 1, 1, List.of());
      assertThat(s.signature()).isEqualTo(cause.signature());
      assertThat(s.remedy()).isEqualTo(cause.remedy());
    }
  }
}
