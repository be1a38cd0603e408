package unimotus.core.stepper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;
import unimotus.core.move.MotionPlan;
import unimotus.core.move.MoveLimits;
import unimotus.core.move.MovePlanner;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.PullOutCurve;

/** Moves of a step motor against its curve: by hand, and against the law of a trapezoid. */
class StepDemandTest {
  private static final int RUNS = Campaign.size(10_000, 300);

  /** 10 mm a turn, 200 full steps of 8 microsteps. */
  private static final PulseScale BELT =
      PulseScale.direct(200, 8, BigDecimal.TEN, MeasureUnit.MILLIMETRE);

  private static final PullOutCurve CURVE =
      new PullOutCurve(
          List.of(
              new PullOutCurve.Point(0, 1.2),
              new PullOutCurve.Point(2000, 1),
              new PullOutCurve.Point(6000, 0.2)),
          false);

  private static final StepLoad LOAD = new StepLoad(4e-5, 8e-5, 0.1, 0);

  /** Between the points along straight lines, and nothing beyond the last. */
  @Test
  void theCurveIsReadBetweenItsPoints() {
    assertThat(CURVE.at(0)).isEqualTo(1.2);
    assertThat(CURVE.at(1000)).isCloseTo(1.1, within(1e-12));
    assertThat(CURVE.at(-4000)).isCloseTo(0.6, within(1e-12));
    assertThat(CURVE.at(6000)).isCloseTo(0.2, within(1e-12));
    assertThat(CURVE.at(6001)).isZero();
    PullOutCurve estimated = PullOutCurve.estimated(1, 2571);
    assertThat(estimated.isEstimated()).isTrue();
    assertThat(estimated.at(2571)).isCloseTo(1, within(1e-9));
    assertThat(estimated.at(2 * 2571)).isCloseTo(0.5, within(1e-9));
  }

  /**
   * 100 mm at 200 mm/s and 1000 mm/s² (0.7 s): 20 turns/s, 4000 steps/s; a = 100 turns/s² = 628
   * rad/s² on 1.2e-4 kg·m² is 0.0754 N·m, with friction 0.175 N·m, of 0.6 N·m there.
   */
  @Test
  void aTrapezoidByHand() {
    MotionPlan plan = MovePlanner.between(0, 100, MoveLimits.of(200, 1000));
    assertThat(plan.seconds()).isCloseTo(0.7, within(1e-9));
    StepDemand demand = StepDemand.of(plan, BELT, LOAD, CURVE);
    assertThat(demand.peakRate()).isCloseTo(4000, within(1e-6));
    assertThat(demand.peakNewtonMetres()).isCloseTo(0.1754, within(1e-4));
    assertThat(demand.used()).isCloseTo(0.1754 / 0.6, within(1e-3));
    assertThat(demand.usedAtRate()).isCloseTo(4000, within(1e-6));
    assertThat(demand.stallsAt()).isEmpty();
    assertThat(demand.isTight()).isFalse();
    // From 50 to 250 steps/s at 20 000 steps/s² twice: 20 ms.
    assertThat(demand.bandSeconds()).isCloseTo(0.02, within(0.007));
  }

  /** Too fast for the curve: it falls out of step where 0.175 N·m are no longer there. */
  @Test
  void aStallIsForetold() {
    MotionPlan plan = MovePlanner.between(0, 1000, MoveLimits.of(400, 1000));
    StepDemand demand = StepDemand.of(plan, BELT, LOAD, CURVE);
    assertThat(demand.stallsAt()).isPresent();
    // 8000 steps/s are asked for; at 6000 steps/s, 0.3 s after the start, the curve ends.
    assertThat(demand.stallsAt().orElseThrow()).isCloseTo(0.3, within(0.01));
    assertThat(demand.used()).isInfinite();
  }

  /** Load three times the rotor: half the rate (square root law, common practice). */
  @Test
  void theStartRateFallsWithTheLoad() {
    assertThat(new StepLoad(4e-5, 1.2e-4, 0, 0).startRate(1000)).isCloseTo(500, within(1e-9));
    assertThat(new StepLoad(4e-5, 0, 0, 0).startRate(1000)).isEqualTo(1000);
  }

  /** Random trapezoids: rate and torque by their law, the share by very many looks of the test. */
  @Test
  void randomMovesAgainstTheLawOfATrapezoid() {
    Random random = new Random(93);
    for (int run = 0; run < RUNS; run++) {
      double way = 1 + random.nextInt(2000);
      double velocity = 5 + random.nextInt(200);
      double ramp = 50 + random.nextInt(5000);
      double weight = random.nextInt(5) * 0.02;
      double drag = random.nextInt(3) * 1e-4;
      double fan = random.nextInt(3) * 1e-7;
      StepLoad load = new StepLoad(4e-5, random.nextInt(20) * 1e-5, 0.05, weight, drag, fan);
      StepDemand demand =
          StepDemand.of(
              MovePlanner.between(0, way, MoveLimits.of(velocity, ramp)), BELT, load, CURVE);
      double top = Math.min(velocity, Math.sqrt(ramp * way));
      double turning = load.inertiaKgM2() * ramp / 10 * 2 * Math.PI;
      // T = T₀ + k₁·n + k₂·n² at the shaft, 6 rpm for 1 mm/s on 10 mm a turn.
      double rpm = 6 * top;
      double against = 0.05 + weight + rpm * (drag + rpm * fan);
      double high = turning + against;
      double most =
          Math.max(
              high, Math.max(Math.abs(-turning + against), Math.abs(-turning + 0.05 + weight)));
      assertThat(demand.peakRate()).isCloseTo(top / 10 * 200, within(1e-6 * top * 20));
      assertThat(demand.peakNewtonMetres()).isCloseTo(most, within(1e-6 * most));
      // The most is used at the top of the ramp: there the curve is lowest and the torque highest.
      double rate = top * 20;
      double there =
          rate <= 2000
              ? 1.2 - 0.2 * rate / 2000
              : rate <= 6000 ? 1 - 0.8 * (rate - 2000) / 4000 : 0;
      if (there == 0) {
        assertThat(demand.used()).isInfinite();
      } else {
        assertThat(demand.used()).isCloseTo(high / there, within(1e-6 * high / there));
      }
      assertThat(demand.stallsAt().isPresent()).isEqualTo(there == 0 || high > there);
    }
  }

  /** 2 · 1.4² · 3.2 = 12.5 W; 0.5 N·m at 600 rpm are 31.4 W; 43.96 W / (0.9 · 36 V) = 1.36 A. */
  @Test
  void aSupplyGivesHeatAndPowerNotTheCurrentOfThePhases() {
    SupplyCurrent current = new SupplyCurrent(1.4, 3.2, 0.5, 600, 36);
    assertThat(current.copperWatts()).isCloseTo(12.544, within(1e-9));
    assertThat(current.shaftWatts()).isCloseTo(31.416, within(1e-3));
    assertThat(current.amperes()).isCloseTo(1.3568, within(1e-3));
    assertThat(current.sum().steps()).hasSize(3);
    assertThatThrownBy(() -> new SupplyCurrent(1, 1, 1, 1, 0)).hasMessageContaining("over 0 V");
  }

  @Test
  void aPublishedCurveIsReadPointByPoint() {
    PullOutCurve curve = PullOutCurve.parse("0 1.9; 1000 1.6\n4000 0.5");
    assertThat(curve.at(500)).isCloseTo(1.75, within(1e-12));
    assertThat(curve.isEstimated()).isFalse();
    assertThat(PullOutCurve.parse(curve.words())).isEqualTo(curve);
    assertThatThrownBy(() -> PullOutCurve.parse("0 1.9; 1000"))
        .hasMessageContaining("'1000' is no point");
    assertThatThrownBy(() -> PullOutCurve.parse("0 1; 100 2")).hasMessageContaining("only falls");
    assertThatThrownBy(() -> PullOutCurve.parse("")).hasMessageContaining("two points");
    assertThatThrownBy(() -> PullOutCurve.parse("0 x; 1 2")).hasMessageContaining("pull-out curve");
  }

  @Test
  void aCurveThatRisesIsRefused() {
    assertThatThrownBy(
            () ->
                new PullOutCurve(
                    List.of(new PullOutCurve.Point(0, 1), new PullOutCurve.Point(1000, 1.1)),
                    false))
        .hasMessage(
            "pull-out curve: torque rises from 1.0 to 1.1 N·m at 1000.0 steps/s; it only falls");
    assertThatThrownBy(
            () ->
                new PullOutCurve(
                    List.of(new PullOutCurve.Point(1000, 1), new PullOutCurve.Point(1000, 0.9)),
                    false))
        .hasMessageContaining("must be over the 1000.0 before it");
    assertThatThrownBy(() -> new PullOutCurve(List.of(new PullOutCurve.Point(0, 1)), false))
        .hasMessageContaining("two points at least");
    assertThatThrownBy(() -> new PullOutCurve.Point(-1, 1)).hasMessageContaining("0 or more");
    assertThatThrownBy(() -> new StepLoad(0, 0, 0, 0)).hasMessageContaining("rotor must be over 0");
  }
}
