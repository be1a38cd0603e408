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
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.stops.FaultRun;
import unimotus.core.stops.StopCircuit;
import unimotus.core.stops.StopTimeline;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;

/**
 * The stop of the demo's rinse drum: all single and double faults, and one button to standstill.
 */
@State(Scope.Thread)
@BenchmarkMode({Mode.AverageTime, Mode.SingleShotTime})
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class StopBenchmark {
  private StopCircuit circuit;

  /** The guard of the rinse drum. */
  @Setup
  public void build() {
    Project demo = Demo.project();
    SheetCatalogue sheets = SheetLibrary.catalogue();
    AxisAssembly drum =
        AxisAssembly.of(demo, sheets, demo.axis("rinse-drum").orElseThrow()).orElseThrow();
    circuit = StopCircuit.of(drum, drum.stops().get(0));
  }

  /** Every fault, and every second one on top of each that showed nowhere. */
  @Benchmark
  public FaultRun faultRun() {
    return FaultRun.of(circuit);
  }

  /** From the demand to standstill, from the highest speed. */
  @Benchmark
  public StopTimeline timeline() {
    return StopTimeline.fromMaximum(circuit);
  }
}
