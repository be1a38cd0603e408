package unimotus.benchmarks;

import java.io.IOException;
import java.io.InputStream;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.stops.FaultRun;
import unimotus.core.stops.JudgedStop;
import unimotus.core.stops.StopCircuit;
import unimotus.core.stops.StopTimeline;
import unimotus.formats.project.ProjectFile;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;

/** A stop judged, every single and double fault of it, and from the demand to standstill. */
@State(Scope.Thread)
@BenchmarkMode({Mode.AverageTime, Mode.SingleShotTime})
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class StopBenchmark {
  /**
   * The guard of the demo's rinse drum, or a belt's with seven buttons over strips, three times its
   * size.
   */
  @Param({"demo", "long"})
  public String size = "demo";

  private AxisAssembly axis;
  private JudgedStop judged;
  private StopCircuit circuit;

  /** The first stop of the project. */
  @Setup
  public void build() throws IOException {
    Project project = size.equals("demo") ? Demo.project() : longStop();
    SheetCatalogue sheets = SheetLibrary.catalogue();
    String stopped = project.stops().get(0).axis();
    axis = AxisAssembly.of(project, sheets, project.axis(stopped).orElseThrow()).orElseThrow();
    judged = JudgedStop.of(axis, axis.stops().get(0));
    circuit = judged.circuit();
  }

  private static Project longStop() throws IOException {
    try (InputStream file = StopBenchmark.class.getResourceAsStream("long-stop.unimotus.json")) {
      return ProjectFile.read("long-stop.unimotus.json", file.readAllBytes()).project();
    }
  }

  /** Whether the stop stops, for every way of demanding it. */
  @Benchmark
  public JudgedStop verdict() {
    return JudgedStop.of(axis, axis.stops().get(0));
  }

  /** Every fault, and every second one on top of each that showed nowhere. */
  @Benchmark
  public FaultRun faultRun() {
    return FaultRun.of(circuit, judged.verdict());
  }

  /** From the demand to standstill, from the highest speed. */
  @Benchmark
  public StopTimeline timeline() {
    return StopTimeline.fromMaximum(circuit);
  }
}
