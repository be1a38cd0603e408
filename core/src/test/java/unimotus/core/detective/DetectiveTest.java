package unimotus.core.detective;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.Fixtures;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Load;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.way.PathFactory;
import unimotus.core.way.analog.AnalogCause;

/** The signatures are those engineers of the trade reason from (common practice). */
class DetectiveTest {
  private static final List<Station> MEASURED =
      List.of(Station.SIGNAL, Station.FREQUENCY, Station.SHAFT, Station.MACHINE);

  private static SignalPath path(Project project) {
    return PathFactory.of(Fixtures.assembly(project));
  }

  private static List<Prediction> predictions(Project project) {
    AxisAssembly axis = Fixtures.assembly(project);
    return Predictor.references(axis, PathFactory.of(axis));
  }

  private static Reading number(String key, double amount) {
    return new Reading("belt", key, amount, null, "", "2026-01-31T14:05:00Z", "", Map.of());
  }

  private static Diagnosis diagnose(Project project, Reading... readings) {
    return Detective.diagnose(path(project), predictions(project), List.of(readings));
  }

  private static Cause leading(Diagnosis diagnosis) {
    return diagnosis.suspicions().get(0).cause();
  }

  /** A voltage link, so that the causes of voltage links can occur. */
  private static Project volts() {
    Project project = Fixtures.withChannel(Fixtures.project(), "AO0.range", "0-10 V");
    return Fixtures.withSetting(
        Fixtures.withDriveSelector(project, "AI1.kind", "voltage"), "P18", "0-10 V");
  }

  static Stream<Arguments> signatures() {
    Project amps = Fixtures.project();
    Project volts = volts();
    return Stream.of(
        Arguments.of(
            AxisCause.AS_DESIGNED,
            amps,
            new double[][] {{12, 25, 748}, {20, 50, 1497}},
            new int[] {50, 100}),
        // 20 % of 50 Hz at zero, fading to nothing.
        Arguments.of(
            AnalogCause.DRIVE_DEAD_ZERO,
            amps,
            new double[][] {{4, 10}, {12, 30}, {20, 50}},
            new int[] {0, 50, 100}),
        // 0–20 mA sent: 10 mA at half is 37.5 % of a live-zero input.
        Arguments.of(
            AnalogCause.CONTROLLER_DEAD_ZERO,
            amps,
            new double[][] {{0, 0}, {10, 18.75}, {20, 50}},
            new int[] {0, 50, 100}),
        // 27648/32767 = 0.844.
        Arguments.of(
            AnalogCause.RAW_FULL_SCALE,
            volts,
            new double[][] {{4.219, 21.1}, {8.438, 42.19}},
            new int[] {50, 100}),
        Arguments.of(
            AxisCause.IMPLIED_DECIMALS,
            volts,
            new double[][] {{0, 0}, {0.5, 2.5}, {1.0, 5.0}},
            new int[] {0, 50, 100}),
        // 60 instead of 50 Hz at full signal.
        Arguments.of(
            AxisCause.DRIVE_SPAN,
            volts,
            new double[][] {{2.5, 15}, {5, 30}, {10, 60}},
            new int[] {25, 50, 100}),
        Arguments.of(
            AxisCause.MAXIMUM_CLAMP,
            volts,
            new double[][] {{5, 25}, {7.5, 37.5}, {10, 40}},
            new int[] {50, 75, 100}),
        Arguments.of(
            AxisCause.MINIMUM_FLOOR,
            volts,
            new double[][] {{0, 20}, {2.5, 20}, {5, 25}},
            new int[] {0, 25, 50}),
        Arguments.of(
            AnalogCause.INPUT_INVERTED,
            volts,
            new double[][] {{0, 50}, {2.5, 37.5}, {10, 0}},
            new int[] {0, 25, 100}),
        Arguments.of(
            AnalogCause.INPUT_KIND,
            amps,
            new double[][] {{4, 50}, {8, 50}, {12, 50}},
            new int[] {0, 25, 50}),
        Arguments.of(
            AnalogCause.DEAD_BAND,
            volts,
            new double[][] {{2.5, 0}, {5, 25}, {10, 50}},
            new int[] {25, 50, 100}),
        Arguments.of(
            AnalogCause.OFFSET,
            volts,
            new double[][] {{0, 2}, {2.5, 14.5}, {5, 27}, {7.5, 39.5}},
            new int[] {0, 25, 50, 75}),
        Arguments.of(
            AxisCause.OTHER_SOURCE,
            volts,
            new double[][] {{0, 33.3}, {5, 33.3}, {10, 33.3}},
            new int[] {0, 50, 100}),
        Arguments.of(
            AxisCause.POLES,
            volts,
            new double[][] {{5, 25, 499}, {10, 50, 998}},
            new int[] {50, 100}),
        Arguments.of(
            AxisCause.SIGN,
            volts,
            new double[][] {{5, 25, -748}, {10, 50, -1497}},
            new int[] {50, 100}),
        Arguments.of(
            AxisCause.GEAR,
            volts,
            new double[][] {{5, 25, 748, 8.5}, {10, 50, 1497, 17.1}},
            new int[] {50, 100}));
  }

  /** Readings at signal, display, shaft and machine, in this order, for each percentage. */
  @ParameterizedTest
  @MethodSource("signatures")
  void theSignatureNamesTheCause(Cause cause, Project project, double[][] values, int[] percents) {
    List<Prediction> predictions = new ArrayList<>(predictions(project));
    List<Reading> readings = new ArrayList<>();
    for (int i = 0; i < values.length; i++) {
      for (int s = 0; s < values[i].length; s++) {
        String key = Predictor.key(percents[i], MEASURED.get(s));
        if (predictions.stream().anyMatch(p -> p.key().equals(key))) {
          readings.add(number(key, values[i][s]));
        }
      }
    }
    Diagnosis diagnosis = Detective.diagnose(path(project), predictions, readings);
    assertThat(leading(diagnosis)).isEqualTo(cause);
    assertThat(diagnosis.suspicions().get(0).probability()).isGreaterThan(0.4);
  }

  @Test
  void sagUnderLoadIsToldFromScaling() {
    Project base = volts();
    double torque = 4000 / (2 * Math.PI * 1456 / 60) * 91.5 * 0.8;
    Project project = base.with(Fixtures.axis(base).withLoad(new Load(1, torque, 0, 0, 1)));
    double designed = path(project).value(Station.SHAFT, 25);
    double sagged = 1500 - 3 * (1500 - designed);
    Diagnosis diagnosis =
        diagnose(
            project,
            number("ref100.frequency", 50),
            number("ref100.shaft", sagged),
            number("ref50.frequency", 25),
            number("ref50.shaft", sagged - 750));
    assertThat(leading(diagnosis)).isEqualTo(AxisCause.SLIP);
  }

  /** 10 V over a 250 Ω burden and a 0–5 V range both saturate at half: honest readings tie them. */
  @Test
  void halfARangeAndABurdenLookTheSameAndBothAreNamed() {
    Diagnosis diagnosis =
        diagnose(
            volts(),
            number("ref25.signal", 2.5),
            number("ref25.frequency", 25),
            number("ref50.frequency", 50),
            number("ref100.frequency", 50));
    assertThat(diagnosis.suspicions().subList(0, 2))
        .extracting(Suspicion::cause)
        .containsExactlyInAnyOrder(AnalogCause.HALF_RANGE, AnalogCause.INPUT_KIND);
    assertThat(diagnosis.next()).as("nothing on the path tells them apart").isNull();
  }

  @Test
  void aHighResistanceJointIsToldFromTheProgramByTheSignal() {
    Diagnosis diagnosis =
        diagnose(
            volts(),
            number("ref50.signal", 5),
            number("ref50.frequency", 18.35),
            number("ref100.signal", 10),
            number("ref100.frequency", 36.7),
            number("ref75.frequency", 27.5));
    assertThat(List.<Cause>of(AnalogCause.JOINT, AxisCause.DRIVE_SPAN))
        .contains(leading(diagnosis));
    assertThat(diagnosis.suspicions().get(0).explained()).isEqualTo(5);
  }

  /**
   * Every path fault, seen through honest noise, leads the ranking or ties with what looks the
   * same.
   */
  @ParameterizedTest
  @MethodSource("unimotus.core.detective.AllCauses#all")
  void everyCauseExplainsItsOwnReadings(Cause cause) {
    Project project = volts();
    SignalPath path = path(project);
    List<Prediction> predictions = predictions(project);
    List<Variant> variants = new Causes(path, List.of()).variants(cause);
    Random random = new Random(42);
    for (Variant variant : variants) {
      List<Reading> readings = readingsOf(variant.path(), predictions, random);
      Diagnosis diagnosis = Detective.diagnose(path, predictions, readings);
      Suspicion own =
          diagnosis.suspicions().stream().filter(s -> s.cause() == cause).findFirst().orElseThrow();
      Suspicion first = diagnosis.suspicions().get(0);
      assertThat(first.cause())
          .as("%s %s", cause, variant.text())
          .isNotEqualTo(AxisCause.NOT_EXPLAINED);
      assertThat(own.explained()).as("%s %s", cause, variant.text()).isEqualTo(own.clues());
      assertThat(first.explained()).isEqualTo(first.clues());
    }
  }

  private static List<Reading> readingsOf(
      SignalPath path, List<Prediction> predictions, Random random) {
    List<Reading> readings = new ArrayList<>();
    for (Prediction p : predictions) {
      Station station = p.station();
      if (station != null && p.expectation() instanceof Expectation.Amount a) {
        double noise = (random.nextDouble() - 0.5) * 0.4 * a.tolerance();
        readings.add(number(p.key(), path.value(station, p.number()) + noise));
      }
    }
    return readings;
  }

  @Test
  void nonsenseIsNotExplained() {
    Diagnosis diagnosis =
        diagnose(
            volts(),
            number("ref0.frequency", 41),
            number("ref25.frequency", 3),
            number("ref50.frequency", 48),
            number("ref75.frequency", 11),
            number("ref100.frequency", 29));
    assertThat(leading(diagnosis)).isEqualTo(AxisCause.NOT_EXPLAINED);
    assertThat(diagnosis.suspicions().get(0).variant()).isNull();
  }

  /** Four readings as designed and one that is not: the odd one is named, nothing is convicted. */
  @Test
  void oneReadingThatStandsOutIsNamed() {
    Diagnosis diagnosis =
        diagnose(
            volts(),
            number("ref0.frequency", 0),
            number("ref25.frequency", 12.5),
            number("ref50.frequency", 52),
            number("ref75.frequency", 37.5),
            number("ref100.frequency", 50));
    assertThat(leading(diagnosis)).isEqualTo(AxisCause.NOT_EXPLAINED);
    assertThat(diagnosis.suspicions().get(0).evidence())
        .singleElement()
        .asString()
        .contains("reference 50 %", "52 Hz", "does not go with the others");
    assertThat(diagnosis.suspicions().get(1).cause()).isEqualTo(AxisCause.AS_DESIGNED);
  }

  /** "As designed" never leads while a row differs, however many others agree. */
  @Test
  void theDesignNeverLeadsWhileARowDiffers() {
    Project project = volts();
    List<Prediction> predictions = predictions(project);
    for (Prediction odd : predictions) {
      if (!(odd.expectation() instanceof Expectation.Amount amount)) {
        continue;
      }
      List<Reading> readings = new ArrayList<>();
      for (Prediction p : predictions) {
        if (p.expectation() instanceof Expectation.Amount a) {
          readings.add(
              number(p.key(), p.equals(odd) ? a.value() + 1.2 * a.tolerance() : a.value()));
        }
      }
      Diagnosis diagnosis = Detective.diagnose(path(project), predictions, readings);
      assertThat(leading(diagnosis)).as(odd.key()).isNotEqualTo(AxisCause.AS_DESIGNED);
    }
  }

  /** A cause that explains ten of fifteen readings is no explanation. */
  @Test
  void tenOfFifteenIsNotExplained() {
    Project project = volts();
    List<Reading> readings = new ArrayList<>();
    int n = 0;
    for (Prediction p : predictions(project)) {
      if (p.expectation() instanceof Expectation.Amount a
          && p.station() != Station.COUNTS
          && n < 15) {
        // A third of them off without any order.
        double wrong = n % 3 == 1 ? (n % 2 == 0 ? -17 : 23) * a.tolerance() : 0;
        readings.add(number(p.key(), a.value() + wrong));
        n++;
      }
    }
    Diagnosis diagnosis = Detective.diagnose(path(project), predictions(project), readings);
    assertThat(leading(diagnosis)).isEqualTo(AxisCause.NOT_EXPLAINED);
    assertThat(diagnosis.suspicions().get(0).evidence()).hasSizeGreaterThanOrEqualTo(4);
    diagnosis.suspicions().stream()
        .skip(1)
        .forEach(s -> assertThat(s.probability()).as(s.title()).isLessThan(0.3));
  }

  /** Of a motor that does not turn the state is asked, not a count. */
  @Test
  void aDriveThatStandsIsAskedForItsState() {
    Project project = volts();
    AxisAssembly axis = Fixtures.assembly(project);
    List<Prediction> all = Predictor.predict(axis, path(project));
    List<Reading> readings =
        new ArrayList<>(List.of(number("ref50.signal", 5), number("ref50.frequency", 0)));
    Diagnosis diagnosis = Detective.diagnose(path(project), all, readings);
    assertThat(diagnosis.next().prediction().key()).isEqualTo(Predictor.RUN_STATUS);
    assertThat(standing(project, all, readings, "ready")).isEqualTo(AxisCause.NOT_RUNNING);
    assertThat(standing(project, all, readings, "not permitted"))
        .isEqualTo(AxisCause.NOT_PERMITTED);
    assertThat(standing(project, all, readings, "fault")).isEqualTo(AxisCause.DRIVE_FAULT);
    assertThat(standing(project, all, readings, "running")).isEqualTo(AnalogCause.OPEN_WIRE);
  }

  private static Cause standing(
      Project project, List<Prediction> all, List<Reading> readings, String state) {
    List<Reading> more = new ArrayList<>(readings);
    more.add(
        new Reading(
            "belt", Predictor.RUN_STATUS, null, state, "", "2026-01-31T14:05:00Z", "", Map.of()));
    return leading(Detective.diagnose(path(project), all, more));
  }

  @Test
  void theDirectionAloneNamesThePhaseOrder() {
    Reading reverse =
        new Reading(
            "belt", Predictor.DIRECTION, null, "reverse", "", "2026-01-31T14:05:00Z", "", Map.of());
    assertThat(leading(diagnose(Fixtures.project(), reverse))).isEqualTo(AxisCause.SIGN);
    Reading still =
        new Reading(
            "belt",
            Predictor.DIRECTION,
            null,
            "no motion",
            "",
            "2026-01-31T14:05:00Z",
            "",
            Map.of());
    assertThat(leading(diagnose(Fixtures.project(), still))).isEqualTo(AxisCause.NOT_RUNNING);
  }

  /** Full speed alone cannot tell a live-zero fault from none; zero can (common practice). */
  @Test
  void theNextMeasurementSeparatesTheLeadingCauses() {
    Diagnosis diagnosis =
        diagnose(Fixtures.project(), number("ref100.frequency", 50), number("ref100.signal", 20));
    NextMeasurement next = diagnosis.next();
    assertThat(next).isNotNull();
    assertThat(next.prediction().key()).isNotIn("ref100.frequency", "ref100.signal");
    assertThat(next.separation()).isPositive();
    assertThat(next.outlook()).hasSizeGreaterThan(1);
    Reading answer =
        number(
            next.prediction().key(),
            path(Fixtures.withSetting(Fixtures.project(), "P18", "0-20 mA"))
                .value(next.prediction().station(), next.prediction().number()));
    Diagnosis after =
        diagnose(
            Fixtures.project(),
            number("ref100.frequency", 50),
            number("ref100.signal", 20),
            answer);
    assertThat(after.suspicions().get(0).probability())
        .isGreaterThan(diagnosis.suspicions().get(0).probability() - 0.2);
  }

  @Test
  void probabilitiesSumToOneAndFall() {
    Diagnosis diagnosis = diagnose(Fixtures.project(), number("ref50.frequency", 30));
    double sum = diagnosis.suspicions().stream().mapToDouble(Suspicion::probability).sum();
    assertThat(sum).isCloseTo(1, org.assertj.core.api.Assertions.within(1e-9));
    for (int i = 1; i < diagnosis.suspicions().size(); i++) {
      assertThat(diagnosis.suspicions().get(i).probability())
          .isLessThanOrEqualTo(diagnosis.suspicions().get(i - 1).probability());
    }
  }

  @Test
  void withoutReadingsNothingIsSuspected() {
    Diagnosis diagnosis = diagnose(Fixtures.project());
    assertThat(diagnosis.suspicions()).isEmpty();
    assertThat(diagnosis.next()).isNull();
  }

  @Test
  void thereAreAtLeastTwelveCausesAndAllSaySomething() {
    Set<Cause> faults = new HashSet<>(AllCauses.all());
    faults.removeAll(Set.of(AxisCause.AS_DESIGNED, AxisCause.NOT_EXPLAINED));
    assertThat(faults).hasSizeGreaterThanOrEqualTo(12);
    assertThat(AllCauses.all())
        .allSatisfy(
            c -> {
              assertThat(c.title()).isNotBlank();
              assertThat(c.signature()).isNotBlank();
              assertThat(c.remedy()).isNotBlank();
            });
  }

  /** A drive that is ready and does not run: the meter at its run input parts wire from setting. */
  @Test
  void forAMissingRunCommandTheRunInputIsProbed() {
    AxisAssembly axis = Fixtures.assembly();
    SignalPath path = PathFactory.of(axis);
    List<Prediction> predictions = Predictor.predict(axis, path);
    Prediction volts =
        predictions.stream()
            .filter(p -> p.key().equals(Predictor.RUN_VOLTS))
            .findFirst()
            .orElseThrow();
    Reading ready =
        new Reading(
            "belt", Predictor.RUN_STATUS, null, "ready", "", "2026-01-31T14:05:00Z", "", Map.of());
    Diagnosis first = Detective.diagnose(path, predictions, List.of(ready));
    assertThat(first.next().prediction()).isEqualTo(volts);
    double full = ((Expectation.Amount) volts.expectation()).value();
    assertThat(full).isCloseTo(24, within(1.5));
    assertThat(
            leading(
                Detective.diagnose(
                    path, predictions, List.of(ready, number(Predictor.RUN_VOLTS, full)))))
        .isEqualTo(AxisCause.RUN_IGNORED);
    assertThat(
            leading(
                Detective.diagnose(
                    path, predictions, List.of(ready, number(Predictor.RUN_VOLTS, 0.1)))))
        .isEqualTo(AxisCause.NOT_RUNNING);
    assertThat(
            leading(
                Detective.diagnose(
                    path, predictions, List.of(ready, number(Predictor.RUN_VOLTS, 6)))))
        .isEqualTo(AxisCause.NOT_RUNNING);
  }
}
