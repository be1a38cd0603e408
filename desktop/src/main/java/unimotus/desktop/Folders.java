package unimotus.desktop;

import java.nio.file.Path;
import java.util.Map;

/**
 * Where the program keeps what it remembers, by the XDG base directory rules.
 *
 * @param preferences the preferences file
 * @param state folder for unsaved work
 * @param sheets folder for device sheets of the user's own
 */
record Folders(Path preferences, Path state, Path sheets) {

  static Folders of(Map<String, String> environment, String home) {
    Path config = base(environment, "XDG_CONFIG_HOME", home, ".config");
    Path data = base(environment, "XDG_DATA_HOME", home, ".local/share");
    Path state = base(environment, "XDG_STATE_HOME", home, ".local/state");
    return new Folders(config.resolve("preferences.properties"), state, data.resolve("sheets"));
  }

  private static Path base(
      Map<String, String> environment, String variable, String home, String usual) {
    String set = environment.get(variable);
    Path base = set == null || set.isBlank() ? Path.of(home, usual.split("/")) : Path.of(set);
    return base.resolve("unimotus");
  }
}
