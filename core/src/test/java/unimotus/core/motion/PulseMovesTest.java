package unimotus.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.util.Random;
import org.hipparchus.fraction.BigFraction;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;
import unimotus.core.move.MotionPlan;
import unimotus.core.move.MoveLimits;
import unimotus.core.move.MovePlanner;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.stepper.PulseScale;

/**
 * Moves as pulses against an integration of their rate that knows nothing of the planner: v²/a
 * against the way says trapezoid or triangle (kinematics), and the rate is added up tick by tick
 * between its bends.
 */
class PulseMovesTest {
  private static final int CASES = Campaign.size(10_000, 300);
  private static final int TICKS = 2000;

  /** Speed of a move from rest to rest at a time, by the law of the trapezoid. */
  private static double speed(double way, double v, double a, double t) {
    double peak = Math.min(v, Math.sqrt(way * a));
    double ramp = peak / a;
    double total = 2 * ramp + (way - peak * ramp) / peak;
    if (t < 0 || t > total) {
      return 0;
    }
    return Math.min(peak, Math.min(a * t, a * (total - t)));
  }

  private static double seconds(double way, double v, double a) {
    double peak = Math.min(v, Math.sqrt(way * a));
    return 2 * peak / a + (way - peak * peak / a) / peak;
  }

  @Test
  void pulsesAreTheRateAddedUp() {
    Random random = new Random(4711);
    for (int i = 0; i < CASES; i++) {
      int pulses = 200 << random.nextInt(6);
      double lead = (100 + random.nextInt(1900)) / 100.0;
      BigFraction gear = new BigFraction(1 + random.nextInt(9), 1 + random.nextInt(4));
      PulseScale scale =
          new PulseScale(200, pulses, gear, BigDecimal.valueOf(lead), MeasureUnit.MILLIMETRE);
      double way = (1 + random.nextInt(50_000)) / 100.0;
      double v = 1 + random.nextInt(500);
      double a = 10 + random.nextInt(5000);
      MotionPlan plan = MovePlanner.between(0, way, MoveLimits.of(v, a));
      double total = seconds(way, v, a);
      assertThat(plan.seconds()).as("case %d", i).isCloseTo(total, within(1e-9 * total + 1e-9));
      double perUnit = pulses * gear.doubleValue() / lead;
      double counted = 0;
      double ramp = Math.min(v, Math.sqrt(way * a)) / a;
      double[] bends = {0, ramp, total - ramp, total};
      for (int phase = 0; phase < 3; phase++) {
        double tick = (bends[phase + 1] - bends[phase]) / TICKS;
        for (int n = 0; n < TICKS; n++) {
          counted += speed(way, v, a, bends[phase] + (n + 0.5) * tick) * perUnit * tick;
          if (n % 500 == 0) {
            assertThat(plan.at(bends[phase] + (n + 1) * tick).position() * perUnit)
                .as("case %d at tick %d", i, n)
                .isCloseTo(counted, within(1e-7 * counted + 1e-3));
          }
        }
      }
      long whole = scale.pulses(BigDecimal.valueOf(way)).whole();
      assertThat((double) whole).as("case %d, to a pulse", i).isCloseTo(counted, within(1.0));
      assertThat(scale.rate(plan.peakVelocity()))
          .isCloseTo(Math.min(v, Math.sqrt(way * a)) * perUnit, within(1e-6 * v * perUnit));
    }
  }

  /** Handbook, section 10: 100 mm at 200 mm/s and 1000 mm/s² take 0.7 s. */
  @Test
  void theTrapezoidOfTheHandbook() {
    assertThat(MovePlanner.between(0, 100, MoveLimits.of(200, 1000)).seconds())
        .isCloseTo(0.7, within(1e-9));
    assertThat(seconds(100, 200, 1000)).isCloseTo(0.7, within(1e-12));
  }
}
