package unimotus.core.move;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

/**
 * Integrates moves in small steps, and finds the shortest time by trying: nothing of it knows the
 * closed forms of the planner.
 */
final class IndependentMove {
  private static final int STEPS = 1500;
  private final MoveLimits limits;

  IndependentMove(MoveLimits limits) {
    this.limits = limits;
  }

  /** The plan's own acceleration, summed up twice, leads to its end and keeps every limit. */
  void follow(MotionPlan plan, String which) {
    double[] times = times(plan.seconds(), plan.peakVelocity());
    double velocity = 0;
    double position = plan.from();
    double sign = Math.signum(plan.to() - plan.from());
    double before = 0;
    for (int k = 0; k + 1 < times.length; k++) {
      double h = times[k + 1] - times[k];
      MotionState middle = plan.at(times[k] + h / 2);
      double a = middle.acceleration();
      position += velocity * h + a * h * h / 2;
      velocity += a * h;
      assertThat(sign * middle.velocity())
          .describedAs(which)
          .isGreaterThan(-1e-9 * limits.velocity());
      assertThat(Math.abs(middle.velocity()))
          .describedAs(which)
          .isLessThanOrEqualTo(limits.velocity() * (1 + 1e-9));
      assertThat(sign * a)
          .describedAs(which)
          .isBetween(-limits.deceleration() * (1 + 1e-9), limits.acceleration() * (1 + 1e-9));
      if (limits.jerk() > 0 && k > 0) {
        double between = (times[k + 1] - times[k - 1]) / 2;
        assertThat(Math.abs(a - before))
            .describedAs(which)
            .isLessThanOrEqualTo(limits.jerk() * between * (1 + 1e-6) + 1e-9 * limits.jerk());
      }
      before = a;
    }
    double size = Math.abs(plan.to() - plan.from());
    assertThat(position).describedAs(which).isCloseTo(plan.to(), within(3e-3 * size));
    double near = plan.seconds() * (1 - 1e-9);
    assertThat(plan.at(near).position())
        .describedAs(which)
        .isCloseTo(plan.to(), within(1e-6 * size + 1e-9));
  }

  /** Fine where it may speed up or slow down, at most v/a + a/j long; coarse between them. */
  private double[] times(double seconds, double peak) {
    double up = Math.min(seconds / 2, longest(peak, limits.acceleration()));
    double down = Math.min(seconds / 2, longest(peak, limits.deceleration()));
    double[] times = new double[3 * STEPS + 1];
    for (int i = 0; i <= STEPS; i++) {
      times[i] = up * i / STEPS;
      times[STEPS + i] = up + (seconds - up - down) * i / STEPS;
      times[2 * STEPS + i] = seconds - down + down * i / STEPS;
    }
    return times;
  }

  private double longest(double peak, double acceleration) {
    if (limits.jerk() > 0 && peak * limits.jerk() < acceleration * acceleration) {
      return 2 * Math.sqrt(peak / limits.jerk());
    }
    double rounding = limits.jerk() == 0 ? 0 : acceleration / limits.jerk();
    return peak / acceleration + rounding;
  }

  /** Time of the quickest move over a distance: the peak speed is found by halving. */
  double shortest(double distance) {
    double low = 0;
    double high = limits.velocity();
    if (way(high) <= distance) {
      return time(high) + (distance - way(high)) / high;
    }
    for (int i = 0; i < 60; i++) {
      double middle = (low + high) / 2;
      if (way(middle) <= distance) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return time(low);
  }

  private double way(double velocity) {
    return change(velocity, limits.acceleration())[1] + change(velocity, limits.deceleration())[1];
  }

  private double time(double velocity) {
    return change(velocity, limits.acceleration())[0] + change(velocity, limits.deceleration())[0];
  }

  /**
   * Time and way from rest to a speed, the acceleration raised while there is room to take it back
   * (a²/2j of speed is still gained then) and taken back after that. In even steps of speed, with
   * a(v) = min(√(2jv), a, √(2j(V − v))).
   */
  private double[] change(double velocity, double acceleration) {
    int steps = 800;
    double time = 0;
    double way = 0;
    // v = V·sin²(πu/2): fine at both ends, where the acceleration is small.
    double last = 0;
    for (int i = 0; i < steps; i++) {
      double sine = Math.sin(Math.PI / 2 * (i + 1) / steps);
      double next = velocity * sine * sine;
      double v = (last + next) / 2;
      double a = acceleration;
      if (limits.jerk() > 0) {
        a = Math.min(a, Math.sqrt(2 * limits.jerk() * v));
        a = Math.min(a, Math.sqrt(2 * limits.jerk() * (velocity - v)));
      }
      double h = (next - last) / a;
      time += h;
      way += v * h;
      last = next;
    }
    return new double[] {time, way};
  }
}
