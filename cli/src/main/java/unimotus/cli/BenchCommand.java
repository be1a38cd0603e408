package unimotus.cli;

import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import unimotus.core.bench.Trace;
import unimotus.core.dryrun.DryRun;
import unimotus.core.dryrun.Strip;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.path.Chain;
import unimotus.core.path.SignalPath;
import unimotus.formats.trace.TraceCsv;
import unimotus.workbench.DryRuns;

/** {@code bench FILE --axis A --scenario S --csv OUT}: a dry-run with its traces. */
@Command(
    name = "bench",
    mixinStandardHelpOptions = true,
    description =
        "Dry-run an axis: virtual drive, motor and load in ticks of 1 ms. A simulation is not a proof.",
    footer = {
      "",
      "Example: unimotus bench demo --axis rinse-drum --scenario run-and-stop --csv drum.csv",
      "Example: unimotus bench demo --axis rinse-drum --scenario \"0 permit; 0 reference 12.5; 1 forward; 20 stop; 40 end\" --csv drum.csv",
      "Example: unimotus bench demo --axis drying-fan --wires --scenario presets-in-turn --csv fan.csv"
    })
final class BenchCommand implements Callable<Integer> {
  @Mixin private ProjectInput input;
  @Mixin private Output output;
  @Mixin private ChainOption chain;

  @Option(
      names = "--axis",
      required = true,
      paramLabel = "A",
      description = "Id or name of the axis.")
  private String axis;

  @Option(
      names = "--scenario",
      required = true,
      paramLabel = "S",
      description =
          "run-and-stop, steps, reversal, permission-lost, each-in-turn where there are preset speeds, or events of your own;"
              + " with --wires run-and-stop, power-lost-and-back, permission-lost-and-back, selector-in-turn, presets-in-turn.")
  private String scenario;

  @Option(
      names = "--csv",
      required = true,
      paramLabel = "OUT",
      description = "Where the traces go.")
  private Path csv;

  @Option(
      names = "--every",
      paramLabel = "N",
      defaultValue = "10",
      description = "Write one sample of so many (1 ms each); default ${DEFAULT-VALUE}.")
  private int every;

  @Option(
      names = "--wires",
      description =
          "Play outputs, buttons, supplies and faults; the wires say what the drive sees.")
  private boolean wires;

  @Override
  public Integer call() throws IOException {
    ProjectInput.Complete complete = input.read().complete(axis);
    if (every < 1) {
      throw new IllegalArgumentException("--every must be at least 1, not " + every);
    }
    DryRuns.Playable chosen = chosen(complete);
    DryRun run = chosen.play(() -> false);
    Trace trace = run.trace();
    try (BufferedWriter out = Files.newBufferedWriter(csv, StandardCharsets.UTF_8)) {
      TraceCsv.write(trace, every, out);
    }
    int last = trace.size() - 1;
    if (output.isJson()) {
      output.document(
          Output.map(
              "scenario",
              chosen.name(),
              "seconds",
              trace.seconds(last),
              "samples",
              trace.size(),
              "csv",
              csv.toString(),
              "strips",
              run.strips().stream().map(BenchCommand::map).toList(),
              "notes",
              run.notes().stream().map(BenchCommand::map).toList()));
    } else {
      output
          .text()
          .printf(
              "%s: %.1f s, %d samples, traces in %s%n",
              chosen.name(), trace.seconds(last), trace.size(), csv);
      run.strips().forEach(this::print);
      run.notes().forEach(n -> output.text().printf("%8.3f s  %s%n", n.atSeconds(), n.text()));
    }
    return 0;
  }

  private DryRuns.Playable chosen(ProjectInput.Complete complete) {
    AxisAssembly assembly = complete.assembly();
    SignalPath path = chain.path(complete);
    if (!wires) {
      return DryRuns.find(DryRuns.atTheShaft(assembly, path), scenario)
          .orElseGet(() -> DryRuns.ownAtTheShaft(assembly, path, scenario));
    }
    if (chain.of(complete).isPresent()) {
      throw new IllegalArgumentException(
          "--chain and --wires exclude each other: the wires say which chain holds");
    }
    List<Chain> beside = complete.review().beside();
    return DryRuns.find(DryRuns.throughTheWires(assembly, path, beside), scenario)
        .orElseGet(() -> DryRuns.ownThroughTheWires(assembly, path, beside, scenario));
  }

  private void print(Strip strip) {
    output.text().printf("  %s%n", strip.label());
    strip
        .segments()
        .forEach(
            s ->
                output
                    .text()
                    .printf("%8.3f to %.3f s  %s%n", s.fromSeconds(), s.toSeconds(), s.state()));
  }

  private static Map<String, @Nullable Object> map(Strip strip) {
    return Output.map(
        "label",
        strip.label(),
        "segments",
        strip.segments().stream()
            .map(s -> Output.map("from", s.fromSeconds(), "to", s.toSeconds(), "state", s.state()))
            .toList());
  }

  private static Map<String, @Nullable Object> map(DryRun.Note note) {
    return Output.map("seconds", note.atSeconds(), "text", note.text());
  }
}
