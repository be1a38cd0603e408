package unimotus.desktop;

import java.nio.file.Path;
import java.util.Optional;

/** How the user is asked for files; the window asks the system, tests answer themselves. */
public interface Dialogs {

  /** The project file to open; empty where the user changed their mind. */
  Optional<Path> openProject();

  /** The file to save the project to; empty where the user changed their mind. */
  Optional<Path> saveProject(String suggestedName);

  /** The file to read a list from; empty where the user changed their mind. */
  Optional<Path> importFile();

  /** The file to export to; empty where the user changed their mind. */
  Optional<Path> export(String suggestedName);
}
