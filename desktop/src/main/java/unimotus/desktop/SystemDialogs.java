package unimotus.desktop;

import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.stage.FileChooser;
import javafx.stage.Window;
import org.jspecify.annotations.Nullable;
import unimotus.formats.project.ProjectFile;

/** The system's own file dialogs. */
final class SystemDialogs implements Dialogs {
  private final Supplier<Window> owner;

  /** Where a question begins: the folder of the last file that was chosen; null before any. */
  private @Nullable File folder;

  SystemDialogs(Supplier<Window> owner) {
    this.owner = owner;
  }

  /** Begins the next question in a folder; one that is gone is left out. */
  void startIn(Path start) {
    folder = Files.isDirectory(start) ? start.toFile() : null;
  }

  @Override
  public Optional<Path> openProject() {
    return path(chooser("Open a project", "").showOpenDialog(owner.get()));
  }

  @Override
  public Optional<Path> saveProject(String suggestedName) {
    return path(chooser("Save the project", suggestedName).showSaveDialog(owner.get()))
        .map(SystemDialogs::suffixed);
  }

  @Override
  public Optional<Path> importFile() {
    FileChooser chooser = begun("Read a list");
    chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter("Tables", "*.csv", "*.txt"));
    return path(chooser.showOpenDialog(owner.get()));
  }

  @Override
  public Optional<Path> export(String suggestedName) {
    FileChooser chooser = begun("Export");
    chooser.setInitialFileName(suggestedName);
    return path(chooser.showSaveDialog(owner.get()));
  }

  private FileChooser chooser(String title, String name) {
    FileChooser chooser = begun(title);
    chooser.setInitialFileName(name);
    chooser
        .getExtensionFilters()
        .add(new FileChooser.ExtensionFilter("Unimotus projects", "*" + ProjectFile.SUFFIX));
    return chooser;
  }

  private FileChooser begun(String title) {
    FileChooser chooser = new FileChooser();
    chooser.setTitle(title);
    chooser.setInitialDirectory(folder);
    return chooser;
  }

  private Optional<Path> path(@Nullable File file) {
    if (file != null) {
      folder = file.getAbsoluteFile().getParentFile();
    }
    return Optional.ofNullable(file).map(File::toPath);
  }

  private static Path suffixed(Path path) {
    String name = path.getFileName().toString();
    return name.endsWith(ProjectFile.SUFFIX)
        ? path
        : path.resolveSibling(name + ProjectFile.SUFFIX);
  }
}
