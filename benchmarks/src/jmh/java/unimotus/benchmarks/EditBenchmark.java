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
import unimotus.core.machine.Project;
import unimotus.core.path.PathState;
import unimotus.core.path.Station;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.SettingValue;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Edits;

/** One edit on a line of 50 axes and 2000 wires: next project, fresh findings, fresh path. */
@State(Scope.Thread)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2, time = 1)
@Measurement(iterations = 3, time = 1)
@Fork(1)
public class EditBenchmark {
  private static final int AXES = 50;
  private static final int WIRES = 2000;

  private SheetCatalogue sheets;
  private Project project;
  private LineReview review;
  private int count;

  /** Builds the line once. */
  @Setup
  public void build() {
    sheets = SheetLibrary.catalogue();
    project = LongLine.of(AXES, WIRES);
    review = LineReview.of(project, sheets);
  }

  /** What every keystroke in a setting costs. */
  @Benchmark
  public PathState editReviewAndPath() {
    count++;
    Project next =
        Edits.setting("drive-" + count % AXES, "R30", new SettingValue.Number(1 + count % 100))
            .change()
            .apply(project);
    review = LineReview.of(next, sheets, review);
    project = next;
    return review
        .axis("axis-" + count % AXES)
        .orElseThrow()
        .signalPath()
        .orElseThrow()
        .at(Station.NUMBER, 12.5);
  }

  /** The same without taking anything over: the whole line from nothing. */
  @Benchmark
  public LineReview reviewFromNothing() {
    return LineReview.of(project, sheets);
  }
}
