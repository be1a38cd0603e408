package unimotus.core.stops;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import org.hipparchus.analysis.UnivariateFunction;
import org.hipparchus.analysis.solvers.BracketedUnivariateSolver;
import org.hipparchus.analysis.solvers.BracketingNthOrderBrentSolver;
import org.hipparchus.ode.ODEState;
import org.hipparchus.ode.ODEStateAndDerivative;
import org.hipparchus.ode.OrdinaryDifferentialEquation;
import org.hipparchus.ode.events.Action;
import org.hipparchus.ode.events.AdaptableInterval;
import org.hipparchus.ode.events.ODEEventDetector;
import org.hipparchus.ode.events.ODEEventHandler;
import org.hipparchus.ode.nonstiff.ClassicalRungeKuttaIntegrator;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;
import unimotus.core.bench.Bench;
import unimotus.core.bench.BenchSetup;
import unimotus.core.bench.Scenario;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Load;
import unimotus.core.machine.Motor;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.motion.ShaftLoad;
import unimotus.core.motor.MotorTorque;
import unimotus.core.sheet.SettingValue;

/**
 * Motors, loads and ramps at random: the stopping time of the timeline is that of the dry-run
 * within one tick, and that of an independent integrator (Runge-Kutta of fourth order, a tenth of a
 * tick a step) on the same torque curve.
 */
class StoppingTimeTest {
  private static final int AXES = Campaign.size(500, 150, 6);
  private static final double RUNS_SECONDS = 60;
  private static final double STEP_SECONDS = Bench.TICK_SECONDS / 10;

  /**
   * @param resolution what a tick more or less of the ramp makes in the coast after it, and two
   *     ticks
   */
  private record Stopped(
      String what, double timeline, double dryRun, double integrated, double resolution) {}

  private static Project random(Random random) {
    Project project =
        Stops.project(
            Stops.TERMINAL_DRIVE,
            Stops.request(
                StopTrigger.EMERGENCY_STOP, StopLogic.RELAY_CHAIN, StopEffect.RUN_INPUTS));
    Load load =
        new Load(
            random.nextDouble() * 400,
            1 + random.nextDouble() * 300,
            random.nextDouble() * 3,
            random.nextDouble() * 0.05,
            1);
    Motor motor = project.motors().get(0);
    Drive drive =
        project
            .drives()
            .get(0)
            .withSetting("R31", number(Math.round(3 + random.nextDouble() * 197) / 10.0))
            .withSetting("L22", number(Math.round(80 + random.nextDouble() * 60) / 10.0));
    return Stops.withLoad(project, load)
        .with(
            motor.withPlate(
                motor.induction().orElseThrow().withInertia(0.002 + random.nextDouble() * 0.05)))
        .with(drive);
  }

  private static SettingValue number(double value) {
    return new SettingValue.Number(value);
  }

  private static Stopped stopped(Project project) {
    StopCircuit circuit = Stops.circuit(project);
    AxisAssembly axis = circuit.axis();
    StopTimeline timeline = StopTimeline.fromMaximum(circuit);
    BenchSetup setup = BenchSetup.inHertz(axis);
    Scenario scenario = Scenario.runAndStop(setup.maximumHertz(), RUNS_SECONDS, RUNS_SECONDS + 400);
    OptionalDouble dryRun = Bench.secondsUntil(setup, scenario, RUNS_SECONDS, rpm -> rpm == 0);
    String what = "%s %s".formatted(project.axes().get(0).load(), setup);
    double ramp = timeline.standstillSeconds() - timeline.reactionSeconds();
    return new Stopped(
        what,
        ramp,
        dryRun.orElse(Double.POSITIVE_INFINITY),
        integrated(axis, setup),
        resolution(setup));
  }

  private static double resolution(BenchSetup setup) {
    double step = setup.maximumHertz() * Math.PI / setup.decelerationSeconds() * Bench.TICK_SECONDS;
    ShaftLoad load = setup.load();
    return 2 * (load.inertiaKgM2() * step / load.constantNewtonMetres() + Bench.TICK_SECONDS);
  }

  /** Field along the ramp, torque by slip up to the limit, friction; after the ramp a coast. */
  private static double integrated(AxisAssembly axis, BenchSetup setup) {
    ShaftLoad load = setup.load();
    MotorTorque motor = MotorTorque.of(axis);
    double top = setup.maximumHertz() * 2 * Math.PI / 2;
    double begin = steady(load, motor, top);
    OrdinaryDifferentialEquation shaft =
        new OrdinaryDifferentialEquation() {
          @Override
          public int getDimension() {
            return 1;
          }

          @Override
          public double[] computeDerivatives(double t, double[] y) {
            double field = top * (1 - t / setup.decelerationSeconds());
            double slip = motor.stiffnessAt(field) * (field - y[0]);
            double most = motor.mostAt(field);
            double torque = field > 0 ? Math.max(-most, Math.min(most, slip)) : 0;
            return new double[] {(torque - friction(load, y[0])) / load.inertiaKgM2()};
          }
        };
    var integrator = new ClassicalRungeKuttaIntegrator(STEP_SECONDS);
    integrator.addEventDetector(new Standstill());
    ODEStateAndDerivative end =
        integrator.integrate(shaft, new ODEState(0, new double[] {begin}), 400);
    return end.getTime();
  }

  private static double friction(ShaftLoad load, double omega) {
    double rpm = omega * 30 / Math.PI;
    return load.constantNewtonMetres()
        + load.linearNewtonMetresPerRpm() * rpm
        + load.quadraticNewtonMetresPerRpm2() * rpm * rpm;
  }

  /** The speed at which slip and friction balance, by halving. */
  private static double steady(ShaftLoad load, MotorTorque motor, double field) {
    double low = 0;
    double high = field;
    for (int i = 0; i < 60; i++) {
      double middle = (low + high) / 2;
      boolean over = motor.stiffnessAt(field) * (field - middle) > friction(load, middle);
      low = over ? middle : low;
      high = over ? high : middle;
    }
    return low;
  }

  private static final class Standstill implements ODEEventDetector {
    @Override
    public AdaptableInterval getMaxCheckInterval() {
      return state -> 0.01;
    }

    @Override
    public int getMaxIterationCount() {
      return 100;
    }

    @Override
    public BracketedUnivariateSolver<UnivariateFunction> getSolver() {
      return new BracketingNthOrderBrentSolver(0, 1e-9, 0, 5);
    }

    @Override
    public ODEEventHandler getHandler() {
      return (state, detector, increasing) -> Action.STOP;
    }

    @Override
    public double g(ODEStateAndDerivative state) {
      return state.getPrimaryState()[0];
    }
  }

  @Test
  void theTimelineIsTheDryRunAndTheIntegral() {
    List<String> wrong = new ArrayList<>();
    double worst = 0;
    for (int i = 0; i < AXES; i++) {
      Stopped stopped = stopped(random(new Random(i * 131L + 7)));
      double ramp = stopped.dryRun();
      if (Math.abs(stopped.timeline() - ramp) > Bench.TICK_SECONDS + 1e-9) {
        wrong.add("dry-run " + stopped);
      }
      double off = Math.abs(stopped.timeline() - stopped.integrated());
      worst = Math.max(worst, off);
      if (off > stopped.resolution()) {
        wrong.add("integral " + stopped);
      }
    }
    System.out.printf(
        "stopping times: %d axes, %d differ, farthest from the integral %.4f s%n",
        AXES, wrong.size(), worst);
    assertThat(wrong.stream().limit(5).toList()).isEmpty();
  }
}
