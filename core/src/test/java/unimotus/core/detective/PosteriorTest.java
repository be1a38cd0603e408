package unimotus.core.detective;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.Fixtures;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Reading;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.way.PathFactory;

/**
 * The percentages against Bayes' theorem written out: what a cause gives is taken from the engine,
 * how it is weighed is not.
 */
class PosteriorTest {
  private static final double SLIP = 0.02;
  private static final double FITTED = 0.05;
  private static final double NEGLIGIBLE = 0.01;

  private final AxisAssembly axis = Fixtures.assembly(Fixtures.project());
  private final SignalPath path = PathFactory.of(axis);
  private final List<Prediction> predictions = Predictor.predict(axis, path);

  private static Reading number(String key, double amount) {
    return new Reading("belt", key, amount, null, "", "2026-01-31T14:05:00Z", "", Map.of());
  }

  private static Reading word(String key, String word) {
    return new Reading("belt", key, null, word, "", "2026-01-31T14:05:00Z", "", Map.of());
  }

  static Stream<List<Reading>> readings() {
    return Stream.of(
        List.of(number("ref50.frequency", 25)),
        List.of(number("ref50.frequency", 30)),
        List.of(number("ref50.frequency", 12.5)),
        List.of(number("ref50.frequency", 24.9), number("ref100.frequency", 50.1)),
        List.of(number("ref0.frequency", 10), number("ref50.frequency", 30)),
        List.of(number("ref0.signal", 0), number("ref50.signal", 10)),
        List.of(number("ref50.signal", 12), number("ref50.frequency", 30)),
        List.of(number("ref50.frequency", 0), number("ref50.signal", 12)),
        List.of(number("ref50.frequency", 25), number("ref50.shaft", 374)),
        List.of(word(Predictor.DIRECTION, "reverse")),
        List.of(word(Predictor.RUN_STATUS, "ready")),
        List.of(word(Predictor.RUN_STATUS, "not permitted"), number("ref50.frequency", 0)),
        List.of(number("ref50.frequency", 25.2), word(Predictor.DIRECTION, "forward")));
  }

  private List<Clue> clues(List<Reading> readings) {
    List<Clue> clues = new ArrayList<>();
    for (Prediction prediction : predictions) {
      readings.stream()
          .filter(r -> r.prediction().equals(prediction.key()))
          .forEach(r -> clues.add(Clue.of(prediction, r).orElseThrow()));
    }
    assertThat(clues).hasSameSizeAs(readings);
    return clues;
  }

  private double given(Clue clue, Variant variant) {
    Prediction p = clue.prediction();
    Station station = p.station();
    double expected = ((Expectation.Amount) p.expectation()).value();
    return station == null
        ? expected * variant.scaled().getOrDefault(p.key(), 1.0)
        : variant.path().value(station, p.number());
  }

  private static boolean isWord(Clue clue) {
    return clue.reading().word() != null;
  }

  private boolean isExplained(Clue clue, Variant variant) {
    if (isWord(clue)) {
      return Objects.equals(Clue.wordUnder(clue.prediction(), variant), clue.reading().word());
    }
    double tolerance = ((Expectation.Amount) clue.prediction().expectation()).tolerance();
    return Math.abs(given(clue, variant) - amount(clue)) <= tolerance;
  }

  private static double amount(Clue clue) {
    return Objects.requireNonNull(clue.reading().amount());
  }

  /** One part in three for words; else even over twice the span, or twenty tolerances. */
  private double even(Clue clue) {
    if (isWord(clue)) {
      return 1.0 / 3;
    }
    Expectation.Amount expected = (Expectation.Amount) clue.prediction().expectation();
    double width;
    Station station = clue.prediction().station();
    if (station == null) {
      width = 4 * Math.abs(expected.value());
    } else {
      double full = path.value(station, path.scale().atFull());
      width = 2 * Math.abs(full - path.value(station, path.scale().atZero()));
    }
    return 1 / Math.max(width, 20 * expected.tolerance());
  }

  /** A reading is right 98 times in 100: then normal about what is given, two sigma a tolerance. */
  private double density(Clue clue, Variant variant) {
    if (isWord(clue)) {
      return isExplained(clue, variant) ? 1 - SLIP : SLIP / 2;
    }
    double tolerance = ((Expectation.Amount) clue.prediction().expectation()).tolerance();
    double z = 2 * (amount(clue) - given(clue, variant)) / tolerance;
    double normal = 2 / tolerance / Math.sqrt(2 * Math.PI) * Math.exp(-0.5 * z * z);
    return 0.98 * normal + 0.02 * even(clue);
  }

  private Map<Cause, Double> weights(List<Clue> clues) {
    Map<Cause, Double> weights = new LinkedHashMap<>();
    double nothing = AxisCause.NOT_EXPLAINED.weight();
    for (Clue clue : clues) {
      nothing *= even(clue);
    }
    for (Cause cause : AllCauses.all()) {
      List<Variant> variants = new Causes(path, clues).variants(cause);
      double sum = 0;
      double most = -1;
      long outliers = 0;
      for (Variant variant : variants) {
        double one = cause.weight() / variants.size() * (variant.fitted() ? FITTED : 1);
        for (Clue clue : clues) {
          one *= density(clue, variant);
        }
        sum += one;
        if (one > most) {
          most = one;
          outliers = clues.stream().filter(c -> !isExplained(c, variant)).count();
        }
      }
      if (!variants.isEmpty()) {
        boolean held = outliers > 0 && sum > nothing * Math.exp(-1 - outliers);
        weights.put(cause, held ? nothing * Math.exp(-1 - outliers) : sum);
      }
    }
    weights.put(AxisCause.NOT_EXPLAINED, nothing);
    return weights;
  }

  @ParameterizedTest
  @MethodSource("readings")
  void percentagesFollowFromTheReadings(List<Reading> readings) {
    Map<Cause, Double> weights = weights(clues(readings));
    double total = weights.values().stream().mapToDouble(w -> w).sum();
    Diagnosis diagnosis = Detective.diagnose(path, predictions, readings);
    assertThat(diagnosis.suspicions()).hasSameSizeAs(weights.keySet());
    for (Suspicion suspicion : diagnosis.suspicions()) {
      assertThat(suspicion.probability())
          .as("%s", suspicion.cause())
          .isCloseTo(weights.get(suspicion.cause()) / total, within(1e-9));
    }
    assertThat(diagnosis.suspicions())
        .isSortedAccordingTo(Comparator.comparingDouble(Suspicion::probability).reversed());
  }

  /** Twice the sum over pairs of causes of p·q·(1 − e^(−d²/8)), d in standard deviations. */
  private static double separation(Prediction prediction, List<Suspicion> likely) {
    double sum = 0;
    for (Suspicion one : likely) {
      for (Suspicion other : likely) {
        if (one != other) {
          sum += one.probability() * other.probability() * apart(prediction, one, other);
        }
      }
    }
    return sum;
  }

  private static double apart(Prediction prediction, Suspicion one, Suspicion other) {
    Variant a = Objects.requireNonNull(one.variant());
    Variant b = Objects.requireNonNull(other.variant());
    if (prediction.expectation() instanceof Expectation.Amount amount) {
      double d = Clue.amountUnder(prediction, a) - Clue.amountUnder(prediction, b);
      double sigmas = 2 * d / amount.tolerance();
      return 1 - 1 / Math.exp(sigmas * sigmas / 8);
    }
    return Clue.wordUnder(prediction, a).equals(Clue.wordUnder(prediction, b)) ? 0 : 1;
  }

  @ParameterizedTest
  @MethodSource("readings")
  void whatSeparatesBestIsAskedForNext(List<Reading> readings) {
    Diagnosis diagnosis = Detective.diagnose(path, predictions, readings);
    List<Suspicion> likely =
        diagnosis.suspicions().stream()
            .filter(s -> s.variant() != null && s.probability() > NEGLIGIBLE)
            .toList();
    NextMeasurement next = diagnosis.next();
    List<String> read = readings.stream().map(Reading::prediction).toList();
    double best =
        predictions.stream()
            .filter(p -> p.station() != null || Clue.isTold(p))
            .filter(p -> !read.contains(p.key()))
            .mapToDouble(p -> separation(p, likely))
            .max()
            .orElse(0);
    if (likely.size() < 2 || best <= NEGLIGIBLE) {
      assertThat(next).isNull();
      return;
    }
    assertThat(next).isNotNull();
    assertThat(next.separation()).isCloseTo(best, within(1e-9));
    assertThat(separation(next.prediction(), likely)).isCloseTo(best, within(1e-9));
    assertThat(next.outlook()).hasSize(Math.min(4, likely.size()));
    assertThat(next.outlook().get(0)).endsWith(" → " + likely.get(0).title());
  }
}
