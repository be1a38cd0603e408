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
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.motion.GainTrial;
import unimotus.core.motion.ServoAxis;
import unimotus.core.move.MotionPlan;
import unimotus.core.servo.ServoLoop;
import unimotus.core.servo.ServoTrace;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;

/**
 * The demo's slicer through its loops, 200 times its moves, in ticks of 250 µs; the same on an
 * elastic coupling; against the barest loop over the same equations. The window's trial of gains.
 */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class ServoBenchmark {
  private static final int TIMES = 100;

  private ServoAxis axis;
  private MotionPlan plan;
  private ServoLoop rigid;
  private ServoLoop elastic;

  /** 520 seconds of moves: more than ten minutes of ticks are refused. */
  @Setup
  public void build() {
    Project demo = Demo.project();
    axis =
        ServoAxis.of(
                AxisAssembly.of(demo, SheetLibrary.catalogue(), demo.axis("slicer-x").orElseThrow())
                    .orElseThrow())
            .orElseThrow();
    plan = axis.design().moves().withTimes(2 * TIMES).plan(axis.design().travel());
    rigid = new ServoLoop(axis.setup(axis.gains()), axis.radiansPerUnit());
    elastic =
        new ServoLoop(
            axis.setup(axis.gains()).withLoad(axis.load().withStiffnessNewtonMetres(150)),
            axis.radiansPerUnit());
  }

  /** Motor and load as one piece. */
  @Benchmark
  public ServoTrace rigid() {
    return rigid.run(plan, 0);
  }

  /** Two masses on a spring, in several steps a tick. */
  @Benchmark
  public ServoTrace elastic() {
    return elastic.run(plan, 0);
  }

  /** The same number of ticks of the same loops, the set-point at rest, nothing recorded. */
  @Benchmark
  public double bareLoop() {
    double tick = 0.00025;
    int ticks = (int) (plan.seconds() / tick);
    double inertia = axis.load().inertiaKgM2();
    double count = 2 * Math.PI / 131_072;
    double decay = Math.exp(-0.5);
    double position = 0;
    double velocity = 0;
    double torque = 0;
    double integral = 0;
    double seen = 0;
    for (int i = 0; i < ticks; i++) {
      double now = Math.floor(position / count + 0.5) * count;
      double error = 35 * ((i & 4095) * 1e-3 - now) - (now - seen) / tick;
      seen = now;
      double asked = 0.15 * error + integral;
      integral += 0.15 * error * tick / 0.056;
      torque = asked + (torque - asked) * decay;
      double next = velocity + (torque - 0.08 * Math.signum(velocity)) / inertia * tick;
      position += (velocity + next) / 2 * tick;
      velocity = next;
    }
    return position;
  }

  /** Nine runs of the longest move. */
  @Benchmark
  public Object gains() {
    return GainTrial.all(axis);
  }
}
