package unimotus.benchmarks;

import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import unimotus.core.bench.Bench;
import unimotus.core.bench.BenchSetup;
import unimotus.core.bench.Scenario;
import unimotus.core.bench.Trace;
import unimotus.core.dryrun.DryRun;
import unimotus.core.dryrun.DryRunner;
import unimotus.core.dryrun.DrySchedule;
import unimotus.core.dryrun.DrySchedules;
import unimotus.core.motion.RampFormulas;
import unimotus.core.motion.ShaftLoad;
import unimotus.core.motor.MotorFormulas;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;

/**
 * A minute of dry-run with every tick recorded, against the barest loop that can be written for the
 * same equations: ramp, slip torque and load, recorded into arrays as well.
 */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class DryRunBenchmark {
  private static final int SECONDS = 60;
  private static final int TICKS = SECONDS * 1000;

  private BenchSetup setup;
  private Scenario scenario;
  private AxisReview drum;
  private DrySchedule ready;

  /** The demo's rinse drum. */
  @Setup
  public void build() {
    drum = LineReview.of(Demo.project(), SheetLibrary.catalogue()).axis("rinse-drum").orElseThrow();
    setup = BenchSetup.of(drum.assembly(), drum.path());
    scenario = Scenario.runAndStop(25, 30, SECONDS);
    ready = DrySchedules.of(drum.assembly(), drum.path()).get(0);
  }

  /** The bench as the program uses it. */
  @Benchmark
  public Trace bench() {
    return Bench.run(setup, scenario);
  }

  /** Through the wires: a start and a stop, and nothing changed for the rest of the minute. */
  @Benchmark
  public DryRun throughTheWires() {
    return wired(SECONDS);
  }

  /** The same with ten more minutes in which nothing changes. */
  @Benchmark
  public DryRun throughTheWiresTenMinutesMore() {
    return wired(11 * SECONDS);
  }

  private DryRun wired(double seconds) {
    DrySchedule schedule = new DrySchedule(ready.name(), ready.events(), seconds);
    return DryRunner.run(drum.assembly(), drum.path(), drum.beside(), schedule, () -> false);
  }

  /** The bare loop: same torque law, same load, same five channels, no states, no scenario. */
  @Benchmark
  public double[][] bareLoop() {
    double[][] trace = new double[5][TICKS];
    double dt = 0.001;
    double rated = MotorFormulas.ratedTorqueNewtonMetres(setup.plate());
    double stiffness =
        rated / RampFormulas.radiansPerSecond(MotorFormulas.ratedSlipRpm(setup.plate()));
    double field = RampFormulas.radiansPerSecond(MotorFormulas.synchronousRpm(1, 4));
    ShaftLoad load = setup.load();
    double decay = Math.exp(-stiffness * dt / load.inertiaKgM2());
    double linear = load.linearNewtonMetresPerRpm() * RampFormulas.rpm(1);
    double step = 50 / setup.accelerationSeconds() * dt;
    double hertz = 0;
    double omega = 0;
    for (int i = 0; i < TICKS; i++) {
      hertz = i < TICKS / 2 ? Math.min(50, hertz + step) : Math.max(0, hertz - step);
      double drag = omega > 0 ? load.constantNewtonMetres() + linear * omega : 0;
      double rest = hertz * field - drag / stiffness;
      omega = Math.max(0, rest + (omega - rest) * decay);
      double torque = stiffness * (hertz * field - omega);
      trace[0][i] = hertz;
      trace[1][i] = hertz;
      trace[2][i] = RampFormulas.rpm(omega);
      trace[3][i] = Math.sqrt(22 + torque * torque * 0.06);
      trace[4][i] = torque;
    }
    return trace;
  }
}
