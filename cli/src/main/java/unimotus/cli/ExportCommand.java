package unimotus.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import unimotus.core.schedule.WireSchedule;
import unimotus.workbench.Schedules;

/** {@code export FILE --kind K --out PATH}: lists for the workshop. */
@Command(
    name = "export",
    mixinStandardHelpOptions = true,
    description = "Writes the wire schedule, as .csv or .xlsx by the name of the file.",
    footer = {"", "Example: unimotus export demo --kind schedule --out wires.xlsx"})
final class ExportCommand implements Callable<Integer> {
  @Mixin private ProjectInput input;
  @Mixin private Output output;

  @Option(
      names = "--kind",
      required = true,
      paramLabel = "K",
      description = "What to write: schedule.")
  private String kind;

  @Option(names = "--out", required = true, paramLabel = "PATH", description = "Where it goes.")
  private Path out;

  @Override
  public Integer call() throws IOException {
    if (!kind.equals("schedule")) {
      throw new IllegalArgumentException("--kind '%s' is not one of schedule".formatted(kind));
    }
    ProjectInput.Line line = input.read();
    WireSchedule schedule = WireSchedule.of(line.project(), line.sheets());
    Schedules.write(schedule, out);
    if (output.isJson()) {
      output.document(
          Output.map("kind", kind, "wires", schedule.rows().size(), "out", out.toString()));
    } else {
      output.text().printf("%d wires in %s%n", schedule.rows().size(), out);
    }
    return 0;
  }
}
