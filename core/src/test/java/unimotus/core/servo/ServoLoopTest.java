package unimotus.core.servo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import org.hipparchus.ode.ODEState;
import org.hipparchus.ode.OrdinaryDifferentialEquation;
import org.hipparchus.ode.nonstiff.DormandPrince853Integrator;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;
import unimotus.core.move.MotionPlan;
import unimotus.core.move.MotionState;
import unimotus.core.move.MoveLimits;
import unimotus.core.move.MovePlanner;

/** Torque, energy and loops against theory, sums by hand, and integrators of a library. */
final class ServoLoopTest {
  private static final double TICK = ServoSetup.USUAL_TICK;

  private static ServoSetup setup(ServoLoad load, LoopGains gains) {
    return new ServoSetup(load, gains, ServoSetup.USUAL_LAG, TICK, 1e6, 0);
  }

  private static LoopGains gains(Dynamics dynamics, ServoLoad load) {
    return GainProposal.of(dynamics, load, ServoSetup.USUAL_LAG, TICK).gains();
  }

  /** J·α by hand: 0.001 kg·m² to 100 rad/s in 0.1 s is 1 N·m; √(T²·t/t) with a pause is less. */
  @Test
  void demandByHand() {
    MotionPlan move = MovePlanner.between(0, 50, MoveLimits.of(100, 1000));
    MotionPlan cycle = MotionPlan.chained(0, List.of(move, MotionPlan.standing(50, 0.4)));
    MoveDemand demand = MoveDemand.of(cycle, ServoLoad.rigid(0.0004, 0.0006), 1);
    assertThat(demand.seconds()).isCloseTo(1.0, within(1e-9));
    assertThat(demand.peakNewtonMetres()).isCloseTo(1, within(1e-9));
    // 0.2 s with 1 N·m in 1 s.
    assertThat(demand.effectiveNewtonMetres()).isCloseTo(Math.sqrt(0.2), within(1e-9));
    assertThat(demand.peakRpm()).isCloseTo(954.93, within(0.01));
    assertThat(demand.meanRpm()).isCloseTo(50 * 60 / (2 * Math.PI), within(1e-6));
    assertThat(demand.peakWatts()).isCloseTo(100, within(1e-6));
    // ½·J·ω² comes back.
    assertThat(demand.returnedJoules()).isCloseTo(5, within(1e-9));
  }

  /** Screw: J = m·(p/2π)², T = F·p/(2πη): 20 kg on 20 mm, lifted and lowered. */
  @Test
  void aSuspendedLoadLiftedAndLowered() {
    double weight = BrakeTimes.weightTorque(20, 0.02);
    assertThat(weight).isCloseTo(20 * 9.80665 * 0.02 / (2 * Math.PI), within(1e-12));
    ServoLoad load =
        ServoLoad.rigid(6e-5, 20 * Math.pow(0.02 / (2 * Math.PI), 2))
            .with()
            .weightNewtonMetres(weight)
            .efficiency(0.9)
            .build();
    assertThat(load.torque(10, 0)).isCloseTo(weight / 0.9, within(1e-12));
    assertThat(load.torque(-10, 0)).isCloseTo(weight * 0.9, within(1e-12));
    MoveDemand down =
        MoveDemand.of(MovePlanner.between(10, 0, MoveLimits.of(1, 100)), load, 2 * Math.PI);
    assertThat(down.returnedJoules()).isCloseTo(weight * 0.9 * 20 * Math.PI, within(0.2));
    BrakeTimes brake = new BrakeTimes(2, 0.05, 0.03);
    assertThat(brake.safety(load)).isCloseTo(2 / weight, within(1e-12));
    // ½·T/J·t²
    assertThat(brake.fall(load))
        .isCloseTo(weight * 0.9 / load.inertiaKgM2() * 0.03 * 0.03 / 2, within(1e-12));
  }

  /** Random moves and loads: peak, effective torque and energy by small steps of time. */
  @Test
  void demandAgainstSmallSteps() {
    Random random = new Random(7);
    for (int i = 0; i < Campaign.size(3000, 300); i++) {
      ServoLoad load = some(random);
      MoveLimits limits =
          new MoveLimits(
              50 + 200 * random.nextDouble(),
              2000,
              500 + 3000 * random.nextDouble(),
              i % 2 * 50_000.0);
      MotionPlan plan = MovePlanner.between(0, random.nextGaussian() * 60, limits);
      MoveDemand demand = MoveDemand.of(plan, load, 1);
      int steps = 20_000;
      double h = plan.seconds() / steps;
      double squared = 0;
      double peak = 0;
      double back = 0;
      for (int k = 0; k < steps; k++) {
        MotionState s = plan.at((k + 0.5) * h);
        double t = byHand(load, s.velocity(), s.acceleration());
        squared += t * t * h;
        back += Math.max(0, -t * s.velocity()) * h;
        peak = Math.max(peak, Math.abs(t));
      }
      String which = "case " + i;
      assertThat(demand.peakNewtonMetres()).describedAs(which).isCloseTo(peak, within(0.02 * peak));
      assertThat(demand.effectiveNewtonMetres())
          .describedAs(which)
          .isCloseTo(Math.sqrt(squared / plan.seconds()), within(0.01 * peak));
      assertThat(demand.returnedJoules())
          .describedAs(which)
          .isCloseTo(back, within(0.02 * back + 1e-4));
    }
  }

  private static double byHand(ServoLoad load, double w, double a) {
    double behind =
        load.loadKgM2() * a
            + (w > 0 ? load.frictionNewtonMetres() : -load.frictionNewtonMetres())
            + load.dragNewtonMetreSeconds() * w
            + load.weightNewtonMetres();
    double at = behind * w < 0 ? behind * load.efficiency() : behind / load.efficiency();
    return load.motorKgM2() * a + at;
  }

  private static ServoLoad some(Random random) {
    double motor = 1e-4 * (1 + 9 * random.nextDouble());
    return new ServoLoad(
        motor,
        motor * 5 * random.nextDouble(),
        0.1 * random.nextDouble(),
        0.001 * random.nextDouble(),
        random.nextGaussian() * 0.2,
        0.8 + 0.2 * random.nextDouble(),
        0,
        0);
  }

  /** Following error is v/Kv at constant speed without feed-forward (common practice). */
  @Test
  void followingErrorIsSpeedOverGain() {
    Random random = new Random(3);
    for (int i = 0; i < Campaign.size(400, 40); i++) {
      ServoLoad load = ServoLoad.rigid(1e-4, 1e-4 * 10 * random.nextDouble());
      Dynamics dynamics = Dynamics.values()[i % 3];
      LoopGains gains = gains(dynamics, load).withFeedForward(i % 2 * 0.5);
      double speed = 20 + 200 * random.nextDouble();
      MotionPlan plan = MovePlanner.between(0, speed * 3, MoveLimits.of(speed, speed * 5));
      ServoTrace trace = new ServoLoop(setup(load, gains), 1).run(plan, 0.5);
      int middle = (int) (plan.seconds() / 2 / trace.period());
      assertThat(trace.followingError(middle))
          .describedAs("case %d", i)
          .isCloseTo(gains.followingError(speed), within(0.02 * gains.followingError(speed)));
      assertThat(trace.load()[trace.size() - 1]).isCloseTo(plan.to(), within(1e-3 * plan.to()));
    }
  }

  /** Kv 1 m/min/mm = 16.67 1/s: 1 m/min lags 1 mm (common practice). */
  @Test
  void gainOfTheWorkshop() {
    assertThat(new LoopGains(1000 / 60.0, 1, 0, 0).followingError(1000 / 60.0))
        .isCloseTo(1, within(1e-12));
  }

  /** A continuous loop of the same gains, by an integrator of a library, at a short tick. */
  @Test
  void againstAnIntegratorOfALibrary() {
    ServoLoad load = new ServoLoad(1e-4, 3e-4, 0, 2e-4, 0.05, 1, 0, 0);
    LoopGains gains = gains(Dynamics.MEDIUM, load);
    MotionPlan plan = MovePlanner.between(0, 20, new MoveLimits(100, 1500, 1500, 60_000));
    ServoSetup fine = new ServoSetup(load, gains, ServoSetup.USUAL_LAG, 2e-5, 1e6, 0);
    ServoTrace trace = new ServoLoop(fine, 1).run(plan, 0.1);
    double[] reached = {plan.from()};
    // position, velocity, integral, torque
    OrdinaryDifferentialEquation loop =
        new OrdinaryDifferentialEquation() {
          @Override
          public int getDimension() {
            return 4;
          }

          @Override
          public double[] computeDerivatives(double t, double[] y) {
            double error = gains.position() * (plan.at(t).position() - y[0]) - y[1];
            double asked = gains.velocity() * error + y[2];
            return new double[] {
              y[1],
              (y[3] - 2e-4 * y[1] - 0.05) / 4e-4,
              gains.velocity() / gains.integralSeconds() * error,
              (asked - y[3]) / ServoSetup.USUAL_LAG
            };
          }
        };
    DormandPrince853Integrator integrator = new DormandPrince853Integrator(1e-9, 1e-3, 1e-9, 1e-9);
    ODEState at = new ODEState(0, new double[] {0, 0, 0.05, 0.05});
    double worst = 0;
    for (int k = 50; k < trace.size(); k += 50) {
      at = integrator.integrate(loop, at, k * trace.period());
      worst = Math.max(worst, Math.abs(at.getPrimaryState()[0] - trace.motor()[k]));
    }
    reached[0] = at.getPrimaryState()[0];
    assertThat(worst).isLessThan(0.01);
    assertThat(reached[0]).isCloseTo(20, within(0.01));
  }

  /** Two masses on a spring ring at √(c·(1/J_M + 1/J_L)). */
  @Test
  void theResonanceIsThere() {
    ServoLoad load = ServoLoad.rigid(1e-4, 1e-4).withStiffnessNewtonMetres(20);
    double h = 1e-5;
    ServoPlant plant = new ServoPlant(load, 0, 0, h);
    plant.advance(1, 100);
    int crossings = 0;
    double before = plant.position() - plant.loadPosition();
    int steps = 20_000;
    for (int i = 0; i < steps; i++) {
      plant.advance(0, 1);
      double twist = plant.position() - plant.loadPosition();
      crossings += before * twist < 0 ? 1 : 0;
      before = twist;
    }
    double hertz = crossings / 2.0 / (steps * h);
    assertThat(hertz).isCloseTo(load.resonance() / (2 * Math.PI), within(3.0));
  }

  /**
   * The three proposals settle, quicker ones sooner, and stay stable with half and twice the load.
   */
  @Test
  void proposalsSettle() {
    for (ServoLoad load :
        List.of(
            ServoLoad.rigid(1e-4, 3e-4),
            new ServoLoad(6e-5, 2e-4, 0.05, 1e-4, 0.3, 0.9, 0, 0),
            ServoLoad.rigid(1e-4, 2e-4).withStiffnessNewtonMetres(150))) {
      MotionPlan plan = MovePlanner.between(0, 30, new MoveLimits(100, 2000, 2000, 100_000));
      double before = Double.POSITIVE_INFINITY;
      for (Dynamics dynamics : Dynamics.values()) {
        LoopGains gains = gains(dynamics, load);
        ServoTrace trace = new ServoLoop(setup(load, gains), 1).run(plan, 1);
        double settled = trace.settledAfter(0.05);
        assertThat(settled).describedAs("%s on %s", dynamics, load).isLessThan(before);
        before = settled;
        for (double factor : new double[] {0.5, 2}) {
          ServoLoad changed = load.withLoadKgM2(load.loadKgM2() * factor);
          ServoTrace other = new ServoLoop(setup(changed, gains), 1).run(plan, 1);
          assertThat(other.settledAfter(0.1))
              .describedAs("%s on %s × %s", dynamics, load, factor)
              .isLessThan(plan.seconds() + 1);
        }
      }
    }
  }

  /** At its torque limit the axis falls behind, is never given more, and comes to its place. */
  @Test
  void theTorqueLimitIsKept() {
    ServoLoad load = ServoLoad.rigid(1e-4, 9e-4);
    MotionPlan plan = MovePlanner.between(0, 50, MoveLimits.of(100, 2000));
    LoopGains gains = gains(Dynamics.MEDIUM, load);
    ServoTrace trace = new ServoLoop(setup(load, gains).withMostNewtonMetres(1), 1).run(plan, 2);
    assertThat(trace.largestTorque()).isLessThanOrEqualTo(1 + 1e-9);
    assertThat(trace.largestFollowingError()).isGreaterThan(gains.followingError(100) * 1.5);
    assertThat(trace.load()[trace.size() - 1]).isCloseTo(50, within(0.05));
  }

  /** Friction, backlash and counts leave the load within the play of its place. */
  @Test
  void backlashAndCounts() {
    ServoLoad load = new ServoLoad(1e-4, 2e-4, 0.05, 0, 0, 1, 300, 0.02);
    LoopGains gains = gains(Dynamics.CALM, load);
    ServoSetup setup = setup(load, gains).withCountsPerTurn(131_072);
    MotionPlan plan = MovePlanner.between(0, 10, new MoveLimits(50, 500, 500, 20_000));
    ServoTrace trace = new ServoLoop(setup, 1).run(plan, 2);
    assertThat(trace.load()[trace.size() - 1]).isCloseTo(10, within(0.011));
  }

  @Test
  void badNumbersAreNamed() {
    assertThatThrownBy(() -> ServoLoad.rigid(0, 1)).hasMessageContaining("motor");
    assertThatThrownBy(() -> ServoLoad.rigid(1, 1).withBacklashRadians(0.1))
        .hasMessageContaining("stiffness");
    assertThatThrownBy(() -> new LoopGains(0, 1, 0, 0)).hasMessageContaining("position gain");
    assertThatThrownBy(() -> new LoopGains(1, 1, 0, 2)).hasMessageContaining("0 to 1");
    assertThatThrownBy(() -> new BrakeTimes(0, 1, 1)).hasMessageContaining("torque");
  }
}
