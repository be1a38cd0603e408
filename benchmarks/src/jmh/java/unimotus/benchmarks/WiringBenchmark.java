package unimotus.benchmarks;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
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
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.LineSolver;
import unimotus.core.wiring.TruthTable;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.WiringEdits;

/**
 * A line of over 200 wired terminals whose controllers share 24 V and 0 V: one commanded state
 * solved, and an edit followed by the fresh table of what an axis' inputs see.
 */
@State(Scope.Thread)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 3, time = 1)
@Fork(1)
public class WiringBenchmark {
  private static final int AXES = 16;
  private static final int WIRES = 160;
  private static final int LEAST_TERMINALS = 200;

  private SheetCatalogue sheets;
  private Project project;
  private LineSolver solver;
  private LineReview review;
  private int count;

  /** Builds the line once. */
  @Setup
  public void build() {
    sheets = SheetLibrary.catalogue();
    Project separate = LongLine.of(AXES, WIRES);
    List<Wire> wires = new ArrayList<>(separate.wires());
    for (int i = 1; i < AXES; i++) {
      for (String rail : List.of("24V", "0V")) {
        wires.add(
            new Wire(
                "rail" + wires.size(),
                new TerminalRef("plc-0", rail),
                new TerminalRef("plc-" + i, rail)));
      }
    }
    project = separate.withWires(wires);
    Set<TerminalRef> terminals = new HashSet<>();
    wires.forEach(w -> terminals.addAll(List.of(w.from(), w.to())));
    if (terminals.size() < LEAST_TERMINALS) {
      throw new IllegalStateException("only " + terminals.size() + " terminals are wired");
    }
    solver = new LineSolver(Installation.of(project, sheets));
    review = LineReview.of(project, sheets);
  }

  /** The whole line in one commanded state, from nothing. */
  @Benchmark
  public LineSolution solveTheLine() {
    count++;
    return solver.solve(
        CommandState.REST.with(new TerminalRef("plc-" + count % AXES, "DO0"), true));
  }

  /** A wire made longer, the line reviewed, and the table of its axis made anew. */
  @Benchmark
  public TruthTable editAndFreshTable() {
    count++;
    Wire wire = project.wires().get(count % WIRES);
    project =
        WiringEdits.make(wire, "length", wire.make().withLength(1 + count % 50))
            .change()
            .apply(project);
    review = LineReview.of(project, sheets, review);
    AxisAssembly axis = review.axes().get(count % WIRES * AXES / WIRES).assembly();
    return TruthTable.of(axis);
  }
}
