package unimotus.core.way.pulse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;
import unimotus.core.FixtureSteppers;
import unimotus.core.detective.AxisCause;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Detective;
import unimotus.core.detective.Suspicion;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.path.Commanded;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.way.LinkIntents;
import unimotus.core.way.PathFactory;

/**
 * Axes on pulses spoilt by code of this test, which reckons what is read by itself: position ·
 * pulses a turn · gear / lead for the pulses, pulses / pulses a turn for the shaft. Readings are
 * off within half their tolerance, and some are left out.
 */
class PulseDetectiveTest {
  private static final int CASES = Campaign.size(20_000, 400);
  private static final int[] PULSES = {200, 400, 800, 1000, 1600, 2000};
  private static final int[] GEARS = {1, 3, 5};
  private static final double[] LEADS = {3.175, 5, 10};

  /** What no reading tells apart comes together. */
  private static final double BESIDE = 5;

  private record Built(int pulses, int gear, double lead) {
    AxisAssembly axis() {
      AxisScaling copy =
          AxisScaling.direct(pulses, BigDecimal.valueOf(lead), MeasureUnit.MILLIMETRE)
              .with()
              .motorTurns(gear)
              .build();
      Project bare =
          FixtureSteppers.bare(
              FixtureSteppers.PULSES,
              FixtureSteppers.OPEN_DRIVER,
              FixtureSteppers.EIGHT,
              new Mechanics.Screw(gear, lead / 1000),
              FixtureSteppers.sound().withProgramScaling(copy));
      Project set = bare.with(bare.drives().get(0).withSelector("steps", Integer.toString(pulses)));
      return FixtureSteppers.axis(
          LinkIntents.planFirstAxis(set, FixtureSteppers.sheets(), "belt").project());
    }
  }

  /**
   * What was done to it.
   *
   * @param cause what has to be named
   * @param counts factor on the pulses for a position
   * @param shaft factor on the turns for pulses
   * @param words what is seen otherwise, by key
   * @param amounts factors on the other amounts, by key
   */
  private record Spoilt(
      Cause cause,
      double counts,
      double shaft,
      Map<String, String> words,
      Map<String, Double> amounts) {
    static Spoilt of(Cause cause, double counts, double shaft) {
      return new Spoilt(cause, counts, shaft, Map.of(), Map.of());
    }

    static Spoilt stands(Cause cause, Map<String, String> words) {
      return new Spoilt(cause, 1, 0, words, Map.of());
    }
  }

  /**
   * 40 mm at 50 mm/s and 500 mm/s²: 40/50 + 50/500 = 0.9 s each way, half a second at each end: 2.8
   * s a round. Standing ten times as long 11.8 s; at 50/60 mm/s 2·(48 + 1/600) + 1 s.
   */
  private static Spoilt spoil(Random random, Built built, int kind) {
    int other = PULSES[(indexOf(built.pulses()) + 1 + random.nextInt(5)) % 6];
    return switch (kind) {
      case 0 -> Spoilt.of(AxisCause.AS_DESIGNED, 1, 1);
      case 1 -> Spoilt.of(PulseCause.SWITCHES, 1, (double) built.pulses() / other);
      case 2 -> Spoilt.of(PulseCause.PROGRAM_STEPS, new double[] {2, 0.5, 5}[random.nextInt(3)], 1);
      case 3 -> Spoilt.of(PulseCause.PROGRAM_UNIT, random.nextBoolean() ? 25.4 : 1 / 25.4, 1);
      case 4 -> Spoilt.of(PulseCause.DIRECTION, 1, -1);
      case 5 -> Spoilt.stands(PulseCause.OPEN_PHASE, Map.of("link.running", "shakes to and fro"));
      case 6 -> Spoilt.stands(PulseCause.PULL_IN, Map.of("link.running", "hums and stands"));
      case 7 ->
          new Spoilt(PulseCause.STALLS, 1, 1, Map.of("link.returns", "other place"), Map.of());
      case 8 ->
          new Spoilt(
              PulseCause.PULSES_LOST,
              1,
              0.55 + 0.3 * random.nextDouble(),
              Map.of("link.returns", "other place"),
              Map.of());
      case 9 -> Spoilt.stands(PulseCause.DISABLED, Map.of("link.held", "turns freely"));
      case 10 -> Spoilt.stands(PulseCause.NO_STEPS, Map.of());
      case 11 ->
          new Spoilt(PulseCause.TIMER_BASE, 1, 1, Map.of(), Map.of("link.round", 11.8 / 2.8));
      default ->
          new Spoilt(
              PulseCause.SPEED_UNIT,
              1,
              1,
              Map.of(),
              Map.of("link.round", (2 * (48 + 1 / 600.0) + 1) / 2.8, "link.rate", 1 / 60.0));
    };
  }

  private static int indexOf(int pulses) {
    for (int i = 0; i < PULSES.length; i++) {
      if (PULSES[i] == pulses) {
        return i;
      }
    }
    throw new AssertionError(pulses);
  }

  private static Reading reading(String key, Double amount, String word) {
    return new Reading("belt", key, amount, word, "", "2026-01-31T14:05:00Z", "", Map.of());
  }

  private static List<Reading> readings(
      Random random, Built built, Spoilt spoilt, List<Prediction> predictions) {
    List<Reading> readings = new ArrayList<>();
    boolean stands = spoilt.shaft() == 0;
    Map<String, String> words = new HashMap<>(spoilt.words());
    if (stands) {
      words.putIfAbsent("link.running", "stands silent");
      words.put(Predictor.DIRECTION, "no motion");
    } else if (spoilt.counts() * spoilt.shaft() < 0) {
      words.put(Predictor.DIRECTION, "reverse");
    }
    for (Prediction p : predictions) {
      boolean isDecisive =
          words.containsKey(p.key())
              || spoilt.amounts().containsKey(p.key())
              || (spoilt.shaft() != 1 && p.key().endsWith(".machine"));
      if (!isDecisive && random.nextInt(8) == 0) {
        continue;
      }
      if (p.expectation() instanceof Expectation.Word word) {
        readings.add(reading(p.key(), null, words.getOrDefault(p.key(), word.expected())));
      } else if (!(stands
          && List.of("link.rate", "link.round", "link.returns").contains(p.key()))) {
        double off =
            (random.nextDouble() - 0.5) * ((Expectation.Amount) p.expectation()).tolerance();
        readings.add(reading(p.key(), amount(built, spoilt, p) + off, null));
      }
    }
    return readings;
  }

  private static double amount(Built built, Spoilt spoilt, Prediction p) {
    double counts =
        Math.rint(p.number() * built.pulses() * built.gear() / built.lead() * spoilt.counts());
    double turns = counts / built.pulses() * spoilt.shaft();
    return switch (p.key().substring(p.key().indexOf('.') + 1)) {
      case "counts" -> counts;
      case "shaft" -> turns;
      case "machine" -> turns / built.gear() * built.lead();
      default ->
          ((Expectation.Amount) p.expectation()).value()
              * spoilt.amounts().getOrDefault(p.key(), 1.0);
    };
  }

  /** Handbook, section 10: 5 turns at 400 are 2000 pulses. */
  @Test
  void fiveTurnsAreTwoThousandPulses() {
    SignalPath path = PathFactory.of(new Built(400, 1, 5).axis());
    assertThat(path.commands()).isEqualTo(Commanded.POSITION);
    assertThat(path.value(Station.COUNTS, 25)).isEqualTo(2000);
    assertThat(path.value(Station.SHAFT, 25)).isCloseTo(5, within(1e-12));
    assertThat(path.value(Station.MACHINE, 25)).isCloseTo(25, within(1e-9));
    assertThat(path.numberFor(Station.MACHINE, 25)).isCloseTo(25, within(1e-9));
  }

  @Test
  void whatWasDoneComesFirst() {
    Random random = new Random(2011);
    List<String> wrong = new ArrayList<>();
    for (int i = 0; i < CASES; i++) {
      Built built =
          new Built(PULSES[random.nextInt(6)], GEARS[random.nextInt(3)], LEADS[random.nextInt(3)]);
      check(random, built, spoil(random, built, i % 13), wrong, i);
    }
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
