package unimotus.cli;

import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import unimotus.core.bench.Bench;
import unimotus.core.bench.BenchSetup;
import unimotus.core.bench.Scenario;
import unimotus.core.bench.Trace;
import unimotus.core.path.SignalPath;
import unimotus.formats.trace.TraceCsv;
import unimotus.workbench.Scenarios;

/** {@code bench FILE --axis A --scenario S --csv OUT}: a dry-run with its traces. */
@Command(
    name = "bench",
    mixinStandardHelpOptions = true,
    description =
        "Dry-run an axis: virtual drive, motor and load in ticks of 1 ms. A simulation is not a proof.",
    footer = {
      "",
      "Example: unimotus bench demo --axis rinse-drum --scenario run-and-stop --csv drum.csv",
      "Example: unimotus bench demo --axis rinse-drum --scenario \"0 permit; 0 reference 12.5; 1 forward; 20 stop; 40 end\" --csv drum.csv"
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
          "run-and-stop, steps, reversal, permission-lost, each-in-turn where there are preset speeds, or events of your own.")
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

  @Override
  public Integer call() throws IOException {
    ProjectInput.Complete complete = input.read().complete(axis);
    if (every < 1) {
      throw new IllegalArgumentException("--every must be at least 1, not " + every);
    }
    SignalPath path = chain.path(complete);
    BenchSetup setup = BenchSetup.of(complete.assembly(), path);
    Scenario chosen = Scenarios.find(scenario, setup, path);
    Trace trace = Bench.run(setup, chosen);
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
              csv.toString()));
    } else {
      output
          .text()
          .printf(
              "%s: %.1f s, %d samples, traces in %s%n",
              chosen.name(), trace.seconds(last), trace.size(), csv);
    }
    return 0;
  }
}
