package unimotus.core.move;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;

/**
 * Moves against worked examples, and against an integrator that shares no code with the planner.
 */
final class MovePlannerTest {

  /** 100 mm at 200 mm/s and 1000 mm/s²: 0.7 s (common practice; v/a + d/v). */
  @Test
  void aTrapezoidByHand() {
    MotionPlan plan = MovePlanner.between(0, 100, MoveLimits.of(200, 1000));
    assertThat(plan.seconds()).isCloseTo(0.7, within(1e-12));
    assertThat(plan.peakVelocity()).isEqualTo(200);
    assertThat(plan.at(0.2).position()).isCloseTo(20, within(1e-9));
    assertThat(plan.at(0.35).position()).isCloseTo(50, within(1e-9));
    assertThat(plan.at(2).position()).isEqualTo(100);
  }

  /** v²/a ≥ d makes a triangle: 10 mm at 1000 mm/s² takes 2·√(d/a) = 0.2 s, 100 mm/s at most. */
  @Test
  void aTriangleByHand() {
    MotionPlan plan = MovePlanner.between(10, 0, MoveLimits.of(200, 1000));
    assertThat(plan.seconds()).isCloseTo(0.2, within(1e-12));
    assertThat(plan.peakVelocity()).isCloseTo(100, within(1e-9));
    assertThat(plan.at(0.1).velocity()).isCloseTo(-100, within(1e-9));
    assertThat(MoveShape.of(plan, 200, true)).isEqualTo(MoveShape.TRIANGLE);
  }

  /** t = d/v + v/a + a/j where both are reached: 100/200 + 200/1000 + 1000/10 000 = 0.8 s. */
  @Test
  void aJerkLimitedMoveByHand() {
    MotionPlan plan = MovePlanner.between(0, 100, new MoveLimits(200, 1000, 1000, 10_000));
    assertThat(plan.seconds()).isCloseTo(0.8, within(1e-12));
    assertThat(plan.phases()).hasSize(7);
  }

  /** A short one reaches neither: four parts of (d/2j)^⅓ each, 1 mm at 10 000 mm/s³: 0.147 s. */
  @Test
  void aShortJerkLimitedMoveByHand() {
    MotionPlan plan = MovePlanner.between(0, 1, new MoveLimits(200, 1000, 1000, 10_000));
    assertThat(plan.seconds()).isCloseTo(4 * Math.cbrt(1 / 20_000.0), within(1e-9));
    assertThat(plan.phases()).hasSize(4);
    assertThat(MoveShape.of(plan, 200, false)).isEqualTo(MoveShape.JERK_LIMITED_SHORT);
  }

  @Test
  void aJogIsHeldAndLetGo() {
    MotionPlan held = MovePlanner.jog(5, -20, 3, MoveLimits.of(200, 100));
    // 0.2 s and 2 mm each for both ramps, 2.8 s at 20 mm/s between them.
    assertThat(held.to()).isCloseTo(5 - 2 - 56 - 2, within(1e-9));
    assertThat(held.seconds()).isCloseTo(3.2, within(1e-9));
    MotionPlan tapped = MovePlanner.jog(0, 20, 0.1, MoveLimits.of(200, 100));
    assertThat(tapped.peakVelocity()).isCloseTo(10, within(1e-9));
    assertThat(tapped.to()).isCloseTo(1, within(1e-9));
  }

  @Test
  void badNumbersAreNamed() {
    assertThatThrownBy(() -> new MoveLimits(1, 1, 1, -3))
        .hasMessageContaining("jerk")
        .hasMessageContaining("-3");
    assertThatThrownBy(() -> new MoveLimits(0, 1, 1, 0)).hasMessageContaining("velocity");
    assertThatThrownBy(() -> new MoveLimits(1, Double.NaN, 1, 0))
        .hasMessageContaining("acceleration");
    assertThatThrownBy(() -> MovePlanner.jog(0, 300, 1, MoveLimits.of(200, 1)))
        .hasMessageContaining("up to 200");
    assertThatThrownBy(() -> MovePlanner.between(0, Double.NaN, MoveLimits.of(1, 1)))
        .hasMessageContaining("target");
    assertThatThrownBy(() -> new MoveStep.Dwell(-1)).hasMessageContaining("-1");
  }

  @Test
  void aSequenceDoesTheSameTwiceOrAddsUp() {
    MoveLimits limits = MoveLimits.of(200, 1000);
    TravelRange range = TravelRange.between(0, 400);
    MoveSequence twice =
        new MoveSequence(
            0,
            limits,
            List.of(
                new MoveStep.Absolute(100), new MoveStep.Dwell(0.5), new MoveStep.Absolute(100)),
            1);
    assertThat(twice.plan(range).to()).isEqualTo(100);
    assertThat(twice.timed(range).get(2).shape()).isEqualTo(MoveShape.STANDING);
    MoveSequence adding =
        new MoveSequence(
            0, limits, List.of(new MoveStep.Incremental(100), new MoveStep.Dwell(0.5)), 4);
    assertThat(adding.plan(range).to()).isCloseTo(400, within(1e-9));
    assertThat(adding.plan(range).seconds()).isCloseTo(4 * 1.2, within(1e-9));
    assertThatThrownBy(() -> adding.withTimes(5).plan(range))
        .hasMessageContaining("step 1, incremental")
        .hasMessageContaining("500")
        .hasMessageContaining("0.0 to 400");
  }

  /** A turning axis that only goes forward makes a turn to where it nearly is. */
  @Test
  void aTurningAxisGoesItsWay() {
    assertThat(TravelRange.turning(360, TravelRange.Way.SHORTEST).destination(350, 10))
        .isEqualTo(370);
    assertThat(TravelRange.turning(360, TravelRange.Way.NEGATIVE).destination(350, 10))
        .isEqualTo(10);
    assertThat(TravelRange.turning(360, TravelRange.Way.POSITIVE).destination(370, 9))
        .isEqualTo(729);
    assertThatThrownBy(() -> TravelRange.turning(360, TravelRange.Way.POSITIVE).destination(0, 360))
        .hasMessageContaining("under 360");
  }

  /** The quick way of sampling gives what the plain one gives. */
  @Test
  void positionsAreSampledAlike() {
    MotionPlan plan =
        MotionPlan.chained(
            5,
            List.of(
                MovePlanner.between(5, 105, new MoveLimits(200, 1000, 700, 9000)),
                MotionPlan.standing(105, 0.1234),
                MovePlanner.between(105, 40, MoveLimits.of(300, 900))));
    List<Double> states = new ArrayList<>();
    plan.sample(
        0.00025,
        (time, state) -> {
          states.add(state.position());
          states.add(state.velocity());
        });
    List<Double> quick = new ArrayList<>();
    plan.samplePositions(
        0.00025,
        (position, velocity) -> {
          quick.add(position);
          quick.add(velocity);
        });
    assertThat(quick).isEqualTo(states);
  }

  @Test
  void setPointsDoNotDrift() {
    MotionPlan plan = MovePlanner.between(0, 100, MoveLimits.of(200, 1000));
    SetPoints points = SetPoints.of(plan, 131_072 / 60.0, 0.001);
    assertThat(points.number()).isEqualTo(701);
    assertThat(points.last()).isEqualTo(Math.round(100 * 131_072 / 60.0));
    // 200 mm/s · 1 ms · 2184.53 counts/mm = 436.9
    assertThat(points.largestStep()).isEqualTo(437);
    assertThat(points.fitsThirtyTwoBits()).isTrue();
    assertThat(SetPoints.of(plan, 1e9, 0.001).fitsThirtyTwoBits()).isFalse();
    assertThat(SetPoints.of(plan, -1, 0.001).least()).isEqualTo(-100);
    assertThatThrownBy(() -> SetPoints.of(plan, 1, 1e-9)).hasMessageContaining("20 million");
  }

  /** Ends, limits and the shortest time of random moves, by an integrator of its own. */
  @Test
  void randomMovesAgainstAnIntegrator() {
    Random random = new Random(19);
    int cases = Campaign.size(10_000, 1000);
    for (int i = 0; i < cases; i++) {
      MoveLimits limits =
          new MoveLimits(
              spread(random), spread(random), spread(random), i % 3 == 0 ? 0 : spread(random) * 10);
      double from = random.nextGaussian() * 100;
      double to = from + (random.nextBoolean() ? 1 : -1) * spread(random);
      MotionPlan plan = MovePlanner.between(from, to, limits);
      IndependentMove oracle = new IndependentMove(limits);
      String which = "case %d: %s to %s, %s".formatted(i, from, to, limits);
      oracle.follow(plan, which);
      assertThat(plan.seconds())
          .describedAs(which)
          .isCloseTo(oracle.shortest(Math.abs(to - from)), within(2e-3 * plan.seconds()));
    }
  }

  /** Over four decades. */
  private static double spread(Random random) {
    return Math.pow(10, random.nextDouble() * 4 - 1);
  }
}
