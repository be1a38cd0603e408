package unimotus.core.detective;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.Fixtures;
import unimotus.core.derivation.Derivation;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Reading;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.proof.StopPredictions;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.way.PathFactory;

/** One reading beside what a cause makes of it, and what all readings say together. */
class ClueTest {
  private final AxisAssembly axis = Fixtures.assembly(Fixtures.project());
  private final SignalPath path = PathFactory.of(axis);
  private final List<Prediction> predictions = Predictor.predict(axis, path);
  private final Variant designed = Variant.of("", path);

  private Prediction prediction(String key) {
    return predictions.stream().filter(p -> p.key().equals(key)).findFirst().orElseThrow();
  }

  private Clue number(String key, double amount) {
    return number(prediction(key), amount);
  }

  private static Clue number(Prediction prediction, double amount) {
    return Clue.of(
            prediction,
            new Reading(
                "belt", prediction.key(), amount, null, "", "2026-01-31T14:05:00Z", "", Map.of()))
        .orElseThrow();
  }

  private Clue word(String key, String word) {
    return word(prediction(key), word);
  }

  private static Clue word(Prediction prediction, String word) {
    return Clue.of(
            prediction,
            new Reading(
                "belt", prediction.key(), null, word, "", "2026-01-31T14:05:00Z", "", Map.of()))
        .orElseThrow();
  }

  private static Prediction made(String key, Expectation expectation) {
    return new Prediction(
        key, "Stop", "row", expectation, null, Double.NaN, "", "", "", Set.of(), Derivation.NONE);
  }

  private static Prediction volts(String key) {
    return made(key, new Expectation.Amount(24, 2, MeasureUnit.VOLT_UNIT));
  }

  /** Predicted 25 Hz: the tolerance itself still agrees, strangeness counts in tolerances. */
  @Test
  void theToleranceItselfStillAgrees() {
    Clue exact = number("ref50.frequency", 25);
    double tolerance = exact.tolerance();
    assertThat(exact.explainedBy(designed)).isTrue();
    assertThat(exact.strangenessUnder(designed)).isCloseTo(0, within(0.01));
    Clue off = number("ref50.frequency", 25 + 3 * tolerance);
    assertThat(off.explainedBy(designed)).isFalse();
    assertThat(off.strangenessUnder(designed)).isCloseTo(3, within(0.01));
    Prediction edge = volts("any.volts");
    assertThat(number(edge, 26).explainedBy(designed)).isTrue();
    assertThat(number(edge, 26.001).explainedBy(designed)).isFalse();
    assertThat(number(edge, 22).strangenessUnder(designed)).isEqualTo(1);
  }

  @Test
  void aWordAgreesOrIsAsStrangeAsCanBe() {
    Clue ready = word(Predictor.RUN_STATUS, "ready");
    assertThat(ready.explainedBy(designed)).isFalse();
    assertThat(ready.strangenessUnder(designed)).isEqualTo(Double.MAX_VALUE);
    Variant told = Variant.told("", path, Map.of(Predictor.RUN_STATUS, "ready"));
    assertThat(ready.explainedBy(told)).isTrue();
    assertThat(ready.strangenessUnder(told)).isZero();
    assertThat(ready.beside(designed)).endsWith("seen ready, this would give running");
    assertThat(ready.seen()).endsWith(": ready");
  }

  @Test
  void aNumberStandsBesideWhatIsGiven() {
    Clue clue = number("ref50.frequency", 30);
    assertThat(clue.beside(designed)).contains("measured 30 Hz, this gives 25 Hz");
    assertThat(clue.seen()).endsWith(": 30 Hz");
  }

  @Test
  void aReadingOfTheOtherKindIsNoClue() {
    Reading word =
        new Reading("belt", "x", null, "ready", "", "2026-01-31T14:05:00Z", "", Map.of());
    assertThat(Clue.of(volts("x"), word)).isEmpty();
    Reading number = new Reading("belt", "x", 3.0, null, "", "2026-01-31T14:05:00Z", "", Map.of());
    assertThat(Clue.of(prediction(Predictor.RUN_STATUS), number)).isEmpty();
  }

  @ParameterizedTest
  @CsvSource({
    Predictor.DIRECTION + ",true",
    Predictor.RUN_STATUS + ",true",
    Predictor.RUN_VOLTS + ",true",
    Predictor.STOP_TIME + ",true",
    Predictor.COAST + ",true",
    "any.other,false"
  })
  void whatCausesSaySomethingAbout(String key, boolean told) {
    assertThat(Clue.isTold(volts(key))).isEqualTo(told);
  }

  /** A jog at 25 % turns the shaft; under half a turn a minute it stands. */
  @Test
  void theDirectionFollowsFromThePath() {
    Prediction jog = prediction(Predictor.DIRECTION);
    assertThat(Clue.wordUnder(jog, designed)).isEqualTo("forward");
    Variant turned = Variant.of("", path.with(path.motor().turned()));
    assertThat(Clue.wordUnder(jog, turned)).isEqualTo("reverse");
    Clue forward = word(Predictor.DIRECTION, "forward");
    assertThat(forward.explainedBy(designed)).isTrue();
    assertThat(forward.explainedBy(turned)).isFalse();
  }

  private Clues clues(Clue... all) {
    return new Clues(path, List.of(all));
  }

  /** What lies near zero against its tolerance, or beyond fifty times, tells no ratio. */
  @Test
  void ratiosComeFromReadingsThatCanTellOne() {
    assertThat(clues(number("ref50.frequency", 30)).ratio(Station.FREQUENCY).orElseThrow())
        .isCloseTo(1.2, within(0.001));
    assertThat(clues(number("ref0.frequency", 30)).ratio(Station.FREQUENCY)).isEmpty();
    assertThat(clues(number("ref50.frequency", 0.2)).ratio(Station.FREQUENCY)).isEmpty();
    assertThat(clues(number("ref50.frequency", 25 * 60)).ratio(Station.FREQUENCY)).isEmpty();
    assertThat(
            clues(
                    number("ref25.frequency", 12.5 * 1.1),
                    number("ref50.frequency", 25 * 1.2),
                    number("ref100.frequency", 50 * 1.6))
                .ratio(Station.FREQUENCY)
                .orElseThrow())
        .as("the one in the middle")
        .isCloseTo(1.2, within(0.001));
    assertThat(Clues.median(java.util.stream.DoubleStream.of(3, 1)).orElseThrow()).isEqualTo(2);
  }

  @Test
  void shaftAndMachineTellTheFrequencyTheyWereReadAt() {
    double shaft = path.value(Station.SHAFT, prediction("ref50.shaft").number());
    double machine = path.value(Station.MACHINE, prediction("ref50.machine").number());
    Clues both = clues(number("ref50.shaft", shaft), number("ref50.machine", -machine));
    List<Double> hertz = new ArrayList<>();
    both.hertz().forEach(hertz::add);
    assertThat(hertz).hasSize(2);
    assertThat(hertz.get(0)).isCloseTo(25, within(0.3));
    assertThat(hertz.get(1)).isPositive();
    assertThat(clues(word(Predictor.RUN_STATUS, "ready")).hertz().count()).isZero();
  }

  @Test
  void timesTellRatiosToAThousandth() {
    Prediction time =
        made(Predictor.STOP_TIME, new Expectation.Amount(5, 1, MeasureUnit.SECOND_UNIT));
    assertThat(clues(number(time, 7.5)).ratios(Predictor.TIME_KEYS))
        .isEqualTo(Map.of(Predictor.STOP_TIME, 1.5));
    assertThat(clues(number(time, 0.1)).ratios(Predictor.TIME_KEYS)).as("0.02 exactly").isEmpty();
    assertThat(clues(number(time, 250)).ratios(Predictor.TIME_KEYS)).as("50 exactly").isEmpty();
    assertThat(clues(number(time, 7.5)).ratios(List.of(Predictor.COAST))).isEmpty();
  }

  /** Twelve of 24 V still read on; less is an open way. */
  @Test
  void runInputAndChannelsAreOpenUnderHalf() {
    assertThat(clues(number(volts(Predictor.RUN_VOLTS), 12)).shareOfRunVolts()).isZero();
    assertThat(clues(number(volts(Predictor.RUN_VOLTS), 6)).shareOfRunVolts()).isEqualTo(0.25);
    assertThat(clues().shareOfRunVolts()).isZero();
    String key = StopPredictions.PREFIX + "x.volts.released.STO1";
    assertThat(clues(number(volts(key), 12)).openChannels()).isEmpty();
    assertThat(clues(number(volts(key), 6)).openChannels()).isEqualTo(Map.of(key, 0.25));
  }

  @Test
  void rowsOfTheStopsAreFoundByTheirState() {
    String key = StopPredictions.PREFIX + "x.actuated";
    Prediction row = made(key, new Expectation.Word("ready", List.of("ready", "running")));
    Prediction other = made("permission.x", new Expectation.Word("ready", List.of("ready")));
    assertThat(clues(word(row, "running"), word(other, "running")).ofStopsIn("running"))
        .isEqualTo(Map.of(key, "running"));
    assertThat(clues(word(row, "running")).ofStopsIn("ready")).isEmpty();
  }

  @Test
  void twoVariantsTogetherKeepBoth() {
    Variant gear =
        new Variant(
            "a",
            path.with(path.mechanics().withRatio(3)),
            false,
            Map.of("k", "v"),
            Map.of("t", 2.0));
    Variant both = Variant.told("b", path, Map.of("l", "w")).and(gear);
    assertThat(both.text()).isEqualTo("b; a");
    assertThat(both.words()).isEqualTo(Map.of("l", "w", "k", "v"));
    assertThat(both.scaled()).isEqualTo(Map.of("t", 2.0));
    assertThat(both.path().mechanics().gear().ratio()).isEqualTo(3);
  }
}
