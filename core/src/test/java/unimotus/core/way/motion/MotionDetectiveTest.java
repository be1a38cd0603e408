package unimotus.core.way.motion;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;
import unimotus.core.FixtureServos;
import unimotus.core.detective.AxisCause;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Detective;
import unimotus.core.detective.Suspicion;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.MotionDesign;
import unimotus.core.machine.Reading;
import unimotus.core.path.SignalPath;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.way.PathFactory;
import unimotus.core.way.station.StationCause;

/**
 * Servo axes spoilt by code of this test, which reckons what is read by itself: position · counts a
 * turn · gear / feed for the target, target / counts a turn of the drive for the shaft. Readings
 * are off within half their tolerance, and some are left out.
 */
class MotionDetectiveTest {
  private static final int CASES = Campaign.size(20_000, 420);
  private static final int[] BITS = {16, 17, 20, 23};
  private static final int[] GEARS = {1, 3, 5, 10};
  private static final double[] FEEDS = {5, 20, 60, 188.5};

  /** What no reading tells apart comes together. */
  private static final double BESIDE = 5;

  /** An axis of this test. */
  private record Built(int bits, int gear, double feed, boolean brake) {
    double countsPerTurn() {
      return Math.pow(2, bits);
    }

    /** Two turns of the gear's output. */
    double length() {
      return 2 * feed;
    }

    AxisAssembly axis() {
      AxisScaling copy =
          AxisScaling.direct(1L << bits, BigDecimal.valueOf(feed), MeasureUnit.MILLIMETRE)
              .with()
              .motorTurns(gear)
              .build();
      MotionDesign design = FixtureServos.design(copy, length());
      return FixtureServos.axis(
          new Mechanics.Screw(gear, feed / 1000),
          FixtureServos.plate(1 << bits, brake ? 2 : 0),
          design);
    }
  }

  /**
   * What was done to it.
   *
   * @param cause what has to be named
   * @param target factor on the target position
   * @param shaft factor on the turns of the shaft for a target
   * @param machine factor on what moves for a turn
   * @param hand factor on the counts for a turn by hand
   * @param words what is seen otherwise, by key
   * @param amounts factors on the other amounts, by key
   */
  private record Spoilt(
      Cause cause,
      double target,
      double shaft,
      double machine,
      double hand,
      Map<String, String> words,
      Map<String, Double> amounts) {
    static Spoilt of(Cause cause, double target, double shaft, double hand) {
      return new Spoilt(cause, target, shaft, 1, hand, Map.of(), Map.of());
    }

    static Spoilt standing(Cause cause, Map<String, String> words) {
      return new Spoilt(cause, 1, 0, 1, 1, words, Map.of());
    }
  }

  private static Reading reading(String key, Double amount, String word) {
    return new Reading("belt", key, amount, word, "", "2026-01-31T14:05:00Z", "", Map.of());
  }

  private static Spoilt spoil(Random random, Built built, int kind) {
    double other = Math.pow(2, BITS[(indexOf(built.bits()) + 1 + random.nextInt(3)) % 4]);
    double bits = other / built.countsPerTurn();
    double unit = new double[] {1000, 25.4, 10}[random.nextInt(3)];
    String enabled = Predictor.RUN_STATUS;
    return switch (kind) {
      case 0 -> Spoilt.of(AxisCause.AS_DESIGNED, 1, 1, 1);
      case 1 -> Spoilt.of(MotionCause.PROGRAM_ENCODER, bits, 1, 1);
      case 2 -> Spoilt.of(MotionCause.PROGRAM_GEAR, 1.0 / built.gear(), 1, 1);
      case 3 -> Spoilt.of(MotionCause.PROGRAM_FEED, unit, 1, 1);
      case 4 -> Spoilt.of(MotionCause.PROGRAM_DIRECTION, -1, 1, 1);
      case 5 -> Spoilt.of(MotionCause.DRIVE_ENCODER, 1, 1 / bits, bits);
      case 6 -> Spoilt.of(MotionCause.DRIVE_UNITS, 1, 1.0 / built.gear(), built.gear());
      case 7 -> Spoilt.of(MotionCause.DRIVE_DIRECTION, 1, -1, -1);
      case 8 -> new Spoilt(AxisCause.GEAR, 1, 1, 0.5, 1, Map.of(), Map.of());
      case 9 ->
          new Spoilt(
              MotionCause.ENCODER_REVERSED,
              1,
              0,
              1,
              -1,
              Map.of(enabled, "fault", "link.running", "runs away"),
              Map.of());
      case 10 ->
          Spoilt.standing(
              MotionCause.PHASE_ORDER, Map.of(enabled, "fault", "link.running", "runs away"));
      case 11 -> Spoilt.standing(MotionCause.ENABLE_BIT, Map.of(enabled, "ready"));
      case 12 -> Spoilt.standing(StationCause.MODE_NOT_TAKEN, Map.of("link.mode", "0 no mode"));
      case 13 ->
          Spoilt.standing(
              StationCause.STATION_NOT_OP, Map.of("link.station", "SAFE-OP", enabled, "ready"));
      case 14 ->
          Spoilt.standing(
              StationCause.STATION_WATCHDOG,
              Map.of("link.station", "SAFE-OP with an error", enabled, "fault"));
      case 15 ->
          Spoilt.standing(
              AxisCause.NOT_PERMITTED,
              Map.of(enabled, "not permitted", Predictor.CLOSED_STATUS, "not permitted"));
      case 16 -> Spoilt.standing(MotionCause.BRAKE_CLOSED, Map.of(enabled, "fault"));
      case 17 -> told(MotionCause.BRAKE_SLIPS, Map.of("link.hold", "axis sinks"), Map.of());
      case 18 -> told(MotionCause.INTERPOLATION_TIME, Map.of("link.running", "in steps"), Map.of());
      case 19 ->
          told(
              MotionCause.FOLLOWING_GAIN,
              Map.of(),
              Map.of("link.following", random.nextBoolean() ? 0.5 : 2.5));
      default -> told(MotionCause.SPEED_UNIT, Map.of(), slow(built));
    };
  }

  private static Spoilt told(Cause cause, Map<String, String> words, Map<String, Double> amounts) {
    return new Spoilt(cause, 1, 1, 1, 1, words, amounts);
  }

  /**
   * Speeds of a minute: length 2·feed at v/60 and a: there in L/v' + v'/a, and back, and 1 s; the
   * design gives v = 2·L and a = 10·L a second.
   */
  private static Map<String, Double> slow(Built built) {
    double v = 2 * built.length() / 60;
    double a = 10 * built.length();
    double slow = 2 * (built.length() / v + v / a) + 1;
    return Map.of("link.round", slow / (2 * (0.5 + 0.2) + 1), "link.following", 1.0 / 60);
  }

  private static int indexOf(int bits) {
    for (int i = 0; i < BITS.length; i++) {
      if (BITS[i] == bits) {
        return i;
      }
    }
    throw new AssertionError(bits);
  }

  /** What cannot be on an axis, or would not show there. */
  private static boolean isIdle(Built built, int kind) {
    return switch (kind) {
      case 2, 6 -> built.gear() == 1;
      case 9 -> built.brake();
      case 16, 17 -> !built.brake();
      default -> false;
    };
  }

  private static List<Reading> readings(
      Random random, Built built, Spoilt spoilt, List<Prediction> predictions) {
    List<Reading> readings = new ArrayList<>();
    boolean stands = spoilt.shaft() == 0;
    Map<String, String> words = new HashMap<>(spoilt.words());
    if (stands) {
      words.putIfAbsent("link.running", "stands");
      words.put(Predictor.DIRECTION, "no motion");
      words.putIfAbsent(
          "link.brake", "runs away".equals(words.get("link.running")) ? "opens" : "stays closed");
    } else if (spoilt.target() * spoilt.shaft() < 0) {
      words.put(Predictor.DIRECTION, "reverse");
    }
    for (Prediction p : predictions) {
      boolean isDecisive =
          words.containsKey(p.key())
              || spoilt.amounts().containsKey(p.key())
              || (spoilt.machine() != 1 && p.key().endsWith(".machine"));
      if (!isDecisive && random.nextInt(8) == 0) {
        continue;
      }
      if (p.expectation() instanceof Expectation.Word word) {
        readings.add(reading(p.key(), null, words.getOrDefault(p.key(), word.expected())));
      } else if (!(stands && Arrays.asList("link.following", "link.round").contains(p.key()))) {
        double off =
            (random.nextDouble() - 0.5) * ((Expectation.Amount) p.expectation()).tolerance();
        readings.add(reading(p.key(), amount(built, spoilt, p) + off, null));
      }
    }
    return readings;
  }

  private static double amount(Built built, Spoilt spoilt, Prediction p) {
    double position = p.number();
    double counts =
        Math.rint(position * built.countsPerTurn() * built.gear() / built.feed() * spoilt.target());
    double turns = counts / built.countsPerTurn() * spoilt.shaft();
    return switch (p.key().substring(p.key().indexOf('.') + 1)) {
      case "counts" -> counts;
      case "shaft" -> turns;
      case "machine" -> turns / built.gear() * built.feed() * spoilt.machine();
      case "turn" -> built.countsPerTurn() * spoilt.hand();
      default ->
          ((Expectation.Amount) p.expectation()).value()
              * spoilt.amounts().getOrDefault(p.key(), 1.0);
    };
  }

  @Test
  void whatWasDoneComesFirst() {
    Random random = new Random(1911);
    List<String> wrong = new ArrayList<>();
    int told = 0;
    for (int i = 0; i < CASES; i++) {
      Built built =
          new Built(
              BITS[random.nextInt(4)],
              GEARS[random.nextInt(4)],
              FEEDS[random.nextInt(4)],
              random.nextBoolean());
      int kind = i % 21;
      if (isIdle(built, kind)) {
        continue;
      }
      told++;
      Spoilt spoilt = spoil(random, built, kind);
      check(random, built, spoilt, wrong, i);
    }
    assertThat(told).isGreaterThan(CASES * 3 / 4);
    assertThat(wrong).isEmpty();
  }

  private static void check(Random random, Built built, Spoilt spoilt, List<String> wrong, int i) {
    AxisAssembly axis = built.axis();
    SignalPath path = PathFactory.of(axis);
    List<Prediction> predictions = Predictor.predict(axis, path);
    List<Suspicion> all =
        Detective.diagnose(path, predictions, readings(random, built, spoilt, predictions))
            .suspicions();
    Suspicion first = all.get(0);
    double share =
        all.stream()
            .filter(s -> s.cause() == spoilt.cause())
            .mapToDouble(Suspicion::probability)
            .sum();
    if (first.cause() != spoilt.cause() && share < first.probability() / BESIDE) {
      wrong.add(
          "%d %s: %s %.3f, not %s %.3f"
              .formatted(i, built, first.cause(), first.probability(), spoilt.cause(), share));
    }
  }
}
