package unimotus.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.path.SignalPath;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.formats.json.FileFault;
import unimotus.formats.project.ProjectFile;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;

/** The project a verb works on, with the device sheets. */
final class ProjectInput {
  private static final String DEMO = "demo";

  @Spec(Spec.Target.MIXEE)
  private CommandSpec spec;

  @Parameters(
      index = "0",
      paramLabel = "FILE",
      description = "Project file, or the word 'demo' for the shipped line.")
  private String file;

  @Option(
      names = "--sheets",
      paramLabel = "DIR",
      description = "Folder with device sheets of your own.")
  private Path sheetFolder;

  /** A project and the sheets it is read with. */
  record Line(Project project, SheetCatalogue sheets, LineReview review) {

    /** The complete axis with this id or name. */
    Complete complete(String wanted) {
      AxisReview found = review(wanted);
      AxisAssembly assembly = found.assembly();
      SignalPath path = found.path();
      if (assembly == null || path == null) {
        throw new IllegalArgumentException(
            "axis '%s' has no signal path yet: %s"
                .formatted(found.axis().name(), found.whyNoPath()));
      }
      return new Complete(found, assembly, path);
    }

    /** The axis with this id or name and all its devices, whether it has a signal path or not. */
    AxisAssembly assembly(String wanted) {
      AxisReview found = review(wanted);
      AxisAssembly assembly = found.assembly();
      if (assembly == null) {
        throw new IllegalArgumentException(
            "axis '%s' is incomplete: %s".formatted(found.axis().name(), found.whyNoPath()));
      }
      return assembly;
    }

    /** The axis with this id or name, whatever it lacks. */
    AxisReview review(String wanted) {
      return review.axes().stream()
          .filter(r -> r.axis().id().equals(wanted) || r.axis().name().equalsIgnoreCase(wanted))
          .findFirst()
          .orElseThrow(
              () ->
                  new IllegalArgumentException(
                      "there is no axis '%s'; the line has %s".formatted(wanted, names())));
    }

    private String names() {
      return project.axes().stream().map(Axis::id).collect(Collectors.joining(", "));
    }
  }

  /** An axis with its path. */
  record Complete(AxisReview review, AxisAssembly assembly, SignalPath path) {}

  Line read() throws IOException {
    SheetCatalogue sheets = sheets();
    ProjectFile.Loaded loaded =
        file.equals(DEMO)
            ? new ProjectFile.Loaded(Demo.project(), "", false)
            : ProjectFile.load(Path.of(file));
    if (loaded.readOnly()) {
      spec.commandLine()
          .getErr()
          .println(
              "unimotus: %s is of a newer version; read as far as it is known".formatted(file));
    }
    return new Line(loaded.project(), sheets, LineReview.of(loaded.project(), sheets));
  }

  private SheetCatalogue sheets() throws IOException {
    if (sheetFolder == null) {
      return SheetLibrary.catalogue();
    }
    List<FileFault> faults = new ArrayList<>();
    SheetCatalogue sheets = SheetLibrary.withFolder(sheetFolder, faults);
    faults.forEach(
        f -> spec.commandLine().getErr().println("unimotus: sheet left out: " + f.getMessage()));
    return sheets;
  }
}
