package unimotus.core.way.analog.local;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import unimotus.core.Lines;
import unimotus.core.detective.Detective;
import unimotus.core.detective.Diagnosis;
import unimotus.core.link.CommonLink;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.path.Chain;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.review.AxisReview;

/**
 * Potentiometers and drives gone wrong, played by school arithmetic that shares nothing with the
 * detective's models: two resistors in series, the lower one with the input beside it. Readings are
 * blurred by up to six tenths of their tolerance.
 */
class LocalDetectiveTest {
  private static final double TRACK = 5000;
  private static final double INPUT = 100_000;
  private static final double BURDEN = 250;
  private static final double TOP_HERTZ = 50;
  private static final double RPM_A_HERTZ = 30;

  private final Random random = new Random(77);

  /** Travel 0 to 1 to volts at the wiper, and those volts to output frequency. */
  private record Line(DoubleUnaryOperator volts, DoubleUnaryOperator hertz) {}

  private static double beside(double one, double other) {
    return one * other / (one + other);
  }

  private static double divided(double travel, double feed, double load) {
    double lower = beside(Math.max(1e-6, travel * TRACK), load);
    return feed * lower / (lower + (1 - travel) * TRACK);
  }

  private static double kept(double value, double least, double most) {
    return Math.max(least, Math.min(most, value));
  }

  private static double scaled(double volts) {
    return kept(volts / 10, 0, 1) * TOP_HERTZ;
  }

  private Map<String, Line> faults() {
    double clamp = 30 + random.nextInt(12);
    double floor = 10 + random.nextInt(4) * 5;
    Map<String, Line> all = new LinkedHashMap<>();
    all.put("AS_DESIGNED", new Line(x -> divided(x, 10, INPUT), LocalDetectiveTest::scaled));
    all.put("ENDS_EXCHANGED", new Line(x -> divided(1 - x, 10, INPUT), LocalDetectiveTest::scaled));
    all.put("DEAD_WIPER", new Line(x -> 0, LocalDetectiveTest::scaled));
    all.put(
        "LOWER_END_OPEN",
        new Line(x -> 10 * INPUT / (INPUT + (1 - x) * TRACK), LocalDetectiveTest::scaled));
    all.put("WRONG_FEED", new Line(x -> divided(x, 24, INPUT), LocalDetectiveTest::scaled));
    all.put(
        "LOADED_WIPER",
        new Line(x -> divided(x, 10, BURDEN), v -> kept(v / BURDEN / 0.02, 0, 1) * TOP_HERTZ));
    all.put("INPUT_INVERTED", new Line(x -> divided(x, 10, INPUT), v -> TOP_HERTZ - scaled(v)));
    all.put("HALF_RANGE", new Line(x -> divided(x, 10, INPUT), v -> kept(v / 5, 0, 1) * TOP_HERTZ));
    all.put(
        "DRIVE_LIVE_ZERO",
        new Line(x -> divided(x, 10, INPUT), v -> kept((v - 2) / 8, 0, 1) * TOP_HERTZ));
    all.put("MAXIMUM_CLAMP", new Line(x -> divided(x, 10, INPUT), v -> Math.min(clamp, scaled(v))));
    all.put("MINIMUM_FLOOR", new Line(x -> divided(x, 10, INPUT), v -> Math.max(floor, scaled(v))));
    all.put("DRIVE_SPAN", new Line(x -> divided(x, 10, INPUT), v -> kept(v / 10, 0, 1) * 40));
    return all;
  }

  private double blurred(double value, double tolerance) {
    return value + (2 * random.nextDouble() - 1) * 0.6 * tolerance;
  }

  private static double travel(String key) {
    return Double.parseDouble(key.replaceAll("[a-z]+(\\d+)\\..*", "$1")) / 100;
  }

  /** What instruments would show on a line; words by their key. */
  private List<Reading> readings(
      List<Prediction> predictions, Line line, Map<String, String> words) {
    List<Reading> readings = new ArrayList<>();
    for (Prediction p : predictions) {
      String word = words.get(p.key());
      if (word != null) {
        readings.add(reading(p.key(), null, word));
      } else if (p.expectation() instanceof Expectation.Amount a
          && p.key().matches("(ref|hand)\\d+\\.(signal|frequency|shaft)")) {
        double volts = line.volts().applyAsDouble(travel(p.key()));
        double hertz = line.hertz().applyAsDouble(volts);
        double value =
            p.key().endsWith("signal")
                ? volts
                : p.key().endsWith("frequency") ? hertz : RPM_A_HERTZ * hertz;
        readings.add(reading(p.key(), blurred(value, a.tolerance()), null));
      }
    }
    return readings;
  }

  private static Reading reading(String key, Double number, String word) {
    return new Reading("belt", key, number, word, "", "2026-01-31T14:05:00Z", "", Map.of());
  }

  private static List<String> ranked(Diagnosis diagnosis) {
    return diagnosis.suspicions().stream().map(s -> s.cause().name()).toList();
  }

  @Test
  void aPotentiometersFaultIsFound() {
    int cases = 0;
    List<String> wrong = new ArrayList<>();
    for (String sheet : List.of("pump-drive-5k5", "terminal-drive-4kw", "vector-drive-15kw")) {
      AxisReview review = Locals.review(Lines.with(Locals.potentiometer(sheet), CommonLink.ENABLE));
      List<Prediction> predictions = Locals.predictions(review);
      for (int round = 0; round < 6; round++) {
        for (Map.Entry<String, Line> fault : faults().entrySet()) {
          Diagnosis told =
              Detective.diagnose(
                  review.path(), predictions, readings(predictions, fault.getValue(), Map.of()));
          cases++;
          if (!ranked(told).get(0).equals(fault.getKey())) {
            wrong.add(sheet + " " + fault.getKey() + ": " + ranked(told).subList(0, 3));
          }
        }
      }
    }
    System.out.printf("potentiometer faults: %d, another cause first: %d%n", cases, wrong.size());
    assertThat(wrong).as("of %d", cases).hasSizeLessThan(cases / 20);
  }

  @Test
  void inHandThePotentiometersFaultIsFoundAndAnOwnerElsewhere() {
    int cases = 0;
    List<String> wrong = new ArrayList<>();
    Project project = Locals.hand("pump-drive-5k5");
    AxisReview review = Locals.review(project);
    Chain hand = review.beside().get(0);
    SignalPath path = hand.path();
    List<Prediction> predictions =
        Locals.predictions(review).stream().filter(p -> hand.equals(p.chain())).toList();
    for (int round = 0; round < 10; round++) {
      Map<String, Line> faults = faults();
      double stands = 5 + random.nextInt(40);
      faults.put("OTHER_OWNER", new Line(x -> divided(x, 10, INPUT), v -> stands));
      // Three positions do not tell an inverted input's clamps from more than one thing.
      for (String name :
          List.of(
              "AS_DESIGNED",
              "ENDS_EXCHANGED",
              "DEAD_WIPER",
              "LOWER_END_OPEN",
              "WRONG_FEED",
              "LOADED_WIPER",
              "INPUT_INVERTED",
              "OTHER_OWNER")) {
        Map<String, String> words =
            name.equals("OTHER_OWNER")
                ? Map.of("hand.owner", "network or program", "hand.hand", "running")
                : Map.of("hand.owner", "potentiometer", "hand.hand", "running");
        Diagnosis told =
            Detective.diagnose(hand, predictions, readings(predictions, faults.get(name), words));
        cases++;
        if (!ranked(told).get(0).equals(name)) {
          wrong.add(name + ": " + ranked(told).subList(0, 3));
        }
      }
    }
    assertThat(path.has(Station.COUNTS)).isFalse();
    System.out.printf("faults in Hand: %d, another cause first: %d%n", cases, wrong.size());
    assertThat(wrong).as("of %d", cases).hasSizeLessThan(cases / 20);
  }
}
