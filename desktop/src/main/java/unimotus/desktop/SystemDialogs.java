package unimotus.desktop;

import java.io.File;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.stage.FileChooser;
import javafx.stage.Window;
import unimotus.formats.project.ProjectFile;

/** The system's own file dialogs. */
final class SystemDialogs implements Dialogs {
  private final Supplier<Window> owner;

  SystemDialogs(Supplier<Window> owner) {
    this.owner = owner;
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
    FileChooser chooser = new FileChooser();
    chooser.setTitle("Read a list");
    chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter("Tables", "*.csv", "*.txt"));
    return path(chooser.showOpenDialog(owner.get()));
  }

  @Override
  public Optional<Path> export(String suggestedName) {
    FileChooser chooser = new FileChooser();
    chooser.setTitle("Export");
    chooser.setInitialFileName(suggestedName);
    return path(chooser.showSaveDialog(owner.get()));
  }

  private static FileChooser chooser(String title, String name) {
    FileChooser chooser = new FileChooser();
    chooser.setTitle(title);
    chooser.setInitialFileName(name);
    chooser
        .getExtensionFilters()
        .add(new FileChooser.ExtensionFilter("Unimotus projects", "*" + ProjectFile.SUFFIX));
    return chooser;
  }

  private static Optional<Path> path(File file) {
    return Optional.ofNullable(file).map(File::toPath);
  }

  private static Path suffixed(Path path) {
    String name = path.getFileName().toString();
    return name.endsWith(ProjectFile.SUFFIX)
        ? path
        : path.resolveSibling(name + ProjectFile.SUFFIX);
  }
}
