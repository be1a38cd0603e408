package unimotus.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Iterator;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import unimotus.core.review.AxisReview;
import unimotus.workbench.Export;

/** {@code export FILE --kind K --out PATH}: lists for the workshop. */
@Command(
    name = "export",
    mixinStandardHelpOptions = true,
    description = "Writes schedule, proof list, settings or entry sheet, as the file is named.",
    footer = {
      "",
      "Example: unimotus export demo --kind schedule --out wires.xlsx",
      "         unimotus export demo --kind proof-list --axis rinse-drum --out proof.pdf"
    })
final class ExportCommand implements Callable<Integer> {
  @Mixin private ProjectInput input;
  @Mixin private Output output;

  /** The words that {@code --kind} takes, for its help. */
  static final class Kinds implements Iterable<String> {
    @Override
    public Iterator<String> iterator() {
      return List.of(Export.choices()).iterator();
    }
  }

  @Option(
      names = "--kind",
      required = true,
      paramLabel = "K",
      completionCandidates = Kinds.class,
      description = "What to write: ${COMPLETION-CANDIDATES}.")
  private String kind;

  @Option(names = "--out", required = true, paramLabel = "PATH", description = "Where it goes.")
  private Path out;

  @Option(
      names = "--axis",
      paramLabel = "A",
      description = "Id or name of the axis; needed for everything but a schedule.")
  private @Nullable String axis;

  @Override
  public Integer call() throws IOException {
    Export export =
        Export.of(kind)
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "--kind '%s' is not one of %s".formatted(kind, Export.words())));
    ProjectInput.Line line = input.read();
    int count =
        export.to(
            out,
            new Export.Source(
                line.project(), line.sheets(), review(export, line), Clock.systemUTC()));
    if (output.isJson()) {
      output.document(Output.map("kind", kind, export.counted(), count, "out", out.toString()));
    } else {
      output.text().printf("%d %s in %s%n", count, export.counted(), out);
    }
    return 0;
  }

  private @Nullable AxisReview review(Export export, ProjectInput.Line line) {
    if (export.needs() == Export.Needs.LINE) {
      return null;
    }
    if (axis == null) {
      throw new IllegalArgumentException("--kind %s needs --axis".formatted(kind));
    }
    return line.review(axis);
  }
}
