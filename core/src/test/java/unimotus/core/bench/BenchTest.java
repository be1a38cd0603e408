package unimotus.core.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.hipparchus.ode.ODEIntegrator;
import org.hipparchus.ode.ODEState;
import org.hipparchus.ode.OrdinaryDifferentialEquation;
import org.hipparchus.ode.nonstiff.DormandPrince853Integrator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.Fixtures;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.motion.RampFormulas;
import unimotus.core.motion.ShaftLoad;
import unimotus.core.motor.MotorFormulas;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.SettingRole;
import unimotus.core.way.PathFactory;

class BenchTest {
  private static final InductionPlate PLATE = Fixtures.PLATE;

  private static BenchSetup setup(ShaftLoad load, double up, double down, boolean rampStop) {
    return new BenchSetup(n -> 2 * n, 50, 50, up, down, rampStop, false, PLATE, 60, load);
  }

  private static BenchSetup setup(Project project) {
    AxisAssembly axis = Fixtures.assembly(project);
    return BenchSetup.of(axis, PathFactory.of(axis));
  }

  private static double shaft(Trace trace, double seconds) {
    return trace.value(Trace.Channel.SHAFT, trace.indexAt(seconds));
  }

  /** Closed form: under constant friction ω falls in a straight line, t = J·ω/T. */
  @ParameterizedTest
  @CsvSource({"0.05, 1.5", "0.5, 2", "3, 7", "0.01, 0.4"})
  void coastingUnderConstantFrictionEndsAfterInertiaTimesSpeedOverTorque(
      double inertia, double friction) {
    BenchSetup setup = setup(new ShaftLoad(inertia, friction, 0, 0), 5, 5, false);
    double expected = RampFormulas.coastSeconds(inertia, 1480, friction);
    Trace trace =
        Bench.run(setup, new Scenario("coast", List.of(), expected * 1.2), 1480, () -> false);
    assertThat(trace.secondsToFall(Trace.Channel.SHAFT, 0, 0.001).orElseThrow())
        .isCloseTo(expected, within(0.002));
    assertThat(shaft(trace, expected / 2)).isCloseTo(740, within(1.5));
  }

  /** The integral's closed forms, one for each sign of the discriminant, against the ticks. */
  @ParameterizedTest
  @CsvSource({
    "0.4, 2, 0, 0",
    "0.4, 2, 0.004, 0",
    "0.4, 2, 0, 4e-6",
    "0.4, 2, 0.004, 4e-6",
    "0.4, 0.2, 0.01, 1e-6",
    "0.4, 1, 0.004, 4e-6",
    "0.4, 0, 0.004, 1e-6"
  })
  void coastTimesOfAnyLoadAgreeWithTheTicks(double inertia, double t0, double k1, double k2) {
    ShaftLoad load = new ShaftLoad(inertia, t0, k1, k2);
    double expected = RampFormulas.coastSeconds(load, 1480, 5);
    BenchSetup setup = setup(load, 5, 5, false);
    Trace trace =
        Bench.run(setup, new Scenario("coast", List.of(), expected + 1), 1480, () -> false);
    assertThat(trace.secondsToFall(Trace.Channel.SHAFT, 0, 5).orElseThrow())
        .isCloseTo(expected, within(0.003 + expected * 1e-4));
    assertThat(RampFormulas.coastSeconds(load, 5, 5)).isZero();
  }

  /** Closed form: under quadratic load ω(t) = ω₀/(1 + k·ω₀·t/J). */
  @ParameterizedTest
  @CsvSource({"0.9, 3.2e-6", "0.05, 4e-6", "2, 1e-5"})
  void coastingUnderAQuadraticLoadFollowsTheHyperbola(double inertia, double perRpmSquared) {
    BenchSetup setup = setup(new ShaftLoad(inertia, 0, 0, perRpmSquared), 5, 5, false);
    Trace trace = Bench.run(setup, new Scenario("coast", List.of(), 60), 1480, () -> false);
    double k = perRpmSquared * RampFormulas.rpm(1) * RampFormulas.rpm(1);
    double omega = RampFormulas.radiansPerSecond(1480);
    for (double t : new double[] {1, 5, 20, 59}) {
      double expected = RampFormulas.rpm(omega / (1 + k * omega * t / inertia));
      assertThat(shaft(trace, t)).as("t = %s s", t).isCloseTo(expected, within(expected * 1e-5));
    }
  }

  /** Closed form: under viscous load ω falls exponentially. */
  @Test
  void coastingUnderALinearLoadFollowsTheExponential() {
    BenchSetup setup = setup(new ShaftLoad(0.4, 0, 0.01, 0), 5, 5, false);
    Trace trace = Bench.run(setup, new Scenario("coast", List.of(), 10), 1000, () -> false);
    double perOmega = 0.01 * RampFormulas.rpm(1);
    assertThat(shaft(trace, 4)).isCloseTo(1000 * Math.exp(-perOmega * 4 / 0.4), within(0.02));
  }

  /** The general integrator of a numerics library on the same equations, with torque from slip. */
  @ParameterizedTest
  @CsvSource({
    "0.0135, 0.5, 0, 0",
    "0.06, 2, 0.002, 1e-6",
    "0.9, 0.3, 0, 3.2e-6",
    "0.2, 5, 0.004, 0"
  })
  void aRampAgreesWithTheIntegratorOfANumericsLibrary(
      double inertia, double t0, double k1, double k2) {
    ShaftLoad load = new ShaftLoad(inertia, t0, k1, k2);
    BenchSetup setup = new BenchSetup(n -> n, 50, 50, 5, 5, true, false, PLATE, 1e9, load);
    Trace trace =
        Bench.run(setup, Scenario.parse("up", "0 permit; 0 reference 40; 0 forward; 8 end"));
    double start = 1.0;
    for (double t : new double[] {2, 4, 4.5, 7}) {
      double reference = integrated(load, shaft(trace, start), start, t);
      assertThat(shaft(trace, t)).as("t = %s s", t).isCloseTo(reference, within(0.35));
    }
  }

  /** J·dω/dt = K·(ω_s(t) − ω) − T(ω), ω_s from a ramp of 10 Hz/s up to 40 Hz. */
  private static double integrated(ShaftLoad load, double startRpm, double from, double to) {
    double stiffness =
        MotorFormulas.ratedTorqueNewtonMetres(PLATE)
            / RampFormulas.radiansPerSecond(MotorFormulas.ratedSlipRpm(PLATE));
    OrdinaryDifferentialEquation equation =
        new OrdinaryDifferentialEquation() {
          @Override
          public int getDimension() {
            return 1;
          }

          @Override
          public double[] computeDerivatives(double t, double[] omega) {
            double field =
                RampFormulas.radiansPerSecond(
                    MotorFormulas.synchronousRpm(Math.min(40, 10 * t), 4));
            double torque =
                stiffness * (field - omega[0])
                    - load.torqueNewtonMetres(RampFormulas.rpm(omega[0]));
            return new double[] {torque / load.inertiaKgM2()};
          }
        };
    ODEIntegrator integrator = new DormandPrince853Integrator(1e-7, 0.01, 1e-10, 1e-10);
    ODEState start = new ODEState(from, new double[] {RampFormulas.radiansPerSecond(startRpm)});
    return RampFormulas.rpm(integrator.integrate(equation, start, to).getPrimaryState()[0]);
  }

  @Test
  void steadyRunningSlipsAsThePathSays() {
    Project project = Fixtures.project();
    AxisAssembly axis = Fixtures.assembly(project);
    BenchSetup setup = setup(project);
    Trace trace = Bench.run(setup, Scenario.runAndStop(25, 20, 40));
    double predicted = PathFactory.of(axis).value(unimotus.core.path.Station.SHAFT, 25);
    assertThat(shaft(trace, 15)).isCloseTo(predicted, within(0.05));
  }

  @Test
  void slipCompensationBringsTheShaftToTheField() {
    Trace trace =
        Bench.run(
            setup(Fixtures.withSetting(Fixtures.project(), "P15", "on")),
            Scenario.runAndStop(25, 20, 40));
    assertThat(shaft(trace, 15)).isCloseTo(1500, within(0.1));
  }

  @Test
  void rampTimesReferToTheMaximumFrequency() {
    BenchSetup setup = setup(new ShaftLoad(0.02, 0.5, 0, 0), 8, 4, true);
    Trace trace = Bench.run(setup, Scenario.runAndStop(12.5, 10, 20));
    assertThat(trace.secondsToRise(Trace.Channel.OUTPUT, 0.1, 24.999).orElseThrow())
        .isCloseTo(4, within(0.01));
    assertThat(trace.secondsToFall(Trace.Channel.OUTPUT, 10, 0.001).orElseThrow())
        .isCloseTo(2, within(0.01));
  }

  /** Safe torque off is stop category 0: it does not brake, the load coasts (IEC 60204-1). */
  @Test
  void lostPermissionCoastsAndNeedsANewCommand() {
    BenchSetup setup = setup(new ShaftLoad(0.5, 1, 0, 0), 2, 2, true);
    Trace trace =
        Bench.run(
            setup,
            Scenario.parse(
                "sto",
                "0 permit; 0 reference 25; 0 forward; 5 revoke; 6 permit; 40 forward; 60 end"));
    assertThat(trace.status(trace.indexAt(5.5))).isEqualTo(DriveStatus.INHIBITED);
    assertThat(trace.value(Trace.Channel.CURRENT, trace.indexAt(5.5))).isZero();
    assertThat(trace.status(trace.indexAt(10)))
        .as("permission alone starts nothing")
        .isEqualTo(DriveStatus.READY);
    assertThat(shaft(trace, 8)).as("still coasting").isGreaterThan(1000);
    assertThat(trace.status(trace.indexAt(41))).isEqualTo(DriveStatus.RUNNING);
  }

  @Test
  void noPermissionNoMotion() {
    Trace trace =
        Bench.run(
            setup(Fixtures.project()), Scenario.parse("x", "0 reference 25; 0 forward; 3 end"));
    assertThat(trace.status(trace.size() - 1)).isEqualTo(DriveStatus.INHIBITED);
    assertThat(shaft(trace, 3)).isZero();
  }

  @Test
  void aCoastStopTakesTheTorqueAtOnce() {
    BenchSetup setup = setup(new ShaftLoad(0.5, 1, 0, 0), 2, 2, false);
    Trace trace = Bench.run(setup, Scenario.runAndStop(25, 5, 10));
    assertThat(trace.status(trace.indexAt(5.2))).isEqualTo(DriveStatus.READY);
    assertThat(trace.value(Trace.Channel.OUTPUT, trace.indexAt(5.2))).isZero();
    assertThat(shaft(trace, 5.2)).isGreaterThan(1400);
  }

  @Test
  void reversalPassesThroughStandstill() {
    BenchSetup setup = setup(new ShaftLoad(0.02, 0.5, 0, 0), 2, 2, true);
    Trace trace = Bench.run(setup, Scenario.reversal(25, 5));
    assertThat(shaft(trace, 4.9)).isGreaterThan(1400);
    assertThat(trace.value(Trace.Channel.OUTPUT, trace.indexAt(7))).isCloseTo(0, within(0.3));
    assertThat(shaft(trace, 11)).isLessThan(-1400);
  }

  /** Ramp times count to a base of their own: to half of it takes half the time (handbook, 5). */
  @Test
  void theRampCountsToItsBase() {
    DriveSheet sheet =
        Fixtures.driveSheet(
            List.of(
                Fixtures.number(
                    "X1",
                    SettingRole.RAMP_BASE_FREQUENCY,
                    null,
                    MeasureUnit.HERTZ_UNIT,
                    1,
                    400,
                    100)),
            List.of());
    AxisAssembly axis = Fixtures.assembly(Fixtures.project(), sheet);
    Trace trace =
        Bench.run(BenchSetup.of(axis, PathFactory.of(axis)), Scenario.runAndStop(25, 6, 6));
    double up = trace.secondsToRise(Trace.Channel.OUTPUT, 0, 49.9).orElseThrow();
    assertThat(up).as("5 s to 100 Hz").isCloseTo(2.5, within(0.15));
  }

  @Test
  void theRampWaitsAtTheCurrentLimit() {
    ShaftLoad heavy = new ShaftLoad(5, 2, 0, 0);
    BenchSetup setup = new BenchSetup(n -> 2 * n, 50, 50, 1, 1, true, false, PLATE, 30, heavy);
    Trace trace =
        Bench.run(setup, Scenario.parse("heavy", "0 permit; 0 reference 25; 0 forward; 60 end"));
    double shortest = RampFormulas.rampSeconds(5, 1500, 28);
    double taken = trace.secondsToRise(Trace.Channel.SHAFT, 0, 1490).orElseThrow();
    assertThat(taken).isBetween(shortest * 0.95, shortest * 1.35);
    for (int i = 0; i < trace.size(); i++) {
      assertThat(Math.abs(trace.value(Trace.Channel.TORQUE, i))).isLessThanOrEqualTo(30.0 + 1e-9);
    }
  }

  @Test
  void dryFrictionHoldsAShaftThatStands() {
    BenchSetup setup = setup(new ShaftLoad(0.02, 500, 0, 0), 2, 2, true);
    Trace trace =
        Bench.run(setup, Scenario.parse("stuck", "0 permit; 0 reference 1; 0 forward; 3 end"));
    assertThat(shaft(trace, 3)).isZero();
  }

  @Test
  void theSameScenarioGivesTheSameTrace() {
    BenchSetup setup = setup(Fixtures.project());
    Trace a = Bench.run(setup, Scenario.steps(25, 3));
    Trace b = Bench.run(setup, Scenario.steps(25, 3));
    for (Trace.Channel channel : Trace.Channel.values()) {
      for (int i = 0; i < a.size(); i += 97) {
        assertThat(a.value(channel, i)).isEqualTo(b.value(channel, i));
      }
    }
  }

  @Test
  void cancellingEndsTheTraceEarly() {
    Trace trace = Bench.run(setup(Fixtures.project()), Scenario.steps(25, 20), 0, () -> true);
    assertThat(trace.size()).isEqualTo(1);
  }

  @Test
  void secondsUntilAgreesWithTheTrace() {
    BenchSetup setup = setup(Fixtures.project());
    Scenario scenario = Scenario.runAndStop(25, 10, 30);
    double fromTrace =
        Bench.run(setup, scenario).secondsToRise(Trace.Channel.SHAFT, 0.1, 1400).orElseThrow();
    assertThat(Bench.secondsUntil(setup, scenario, 0.1, rpm -> rpm >= 1400).orElseThrow())
        .isCloseTo(fromTrace, within(0.0011));
    assertThat(Bench.secondsUntil(setup, scenario, 0.1, rpm -> rpm > 1e6)).isEmpty();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "0 jump | jump",
        "x forward | x forward",
        "1 reference | 1 reference",
        "-1 stop | -1"
      })
  void unreadableScenariosNameThePart(String text, String part) {
    assertThatThrownBy(() -> Scenario.parse("own", text))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(part);
  }

  @Test
  void aScenarioHasALimitedLength() {
    assertThatThrownBy(() -> new Scenario("x", List.of(), 0)).hasMessageContaining("length");
    assertThatThrownBy(() -> new Scenario("x", List.of(), 1e6)).hasMessageContaining("3600");
  }
}
