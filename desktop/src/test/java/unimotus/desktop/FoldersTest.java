package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** XDG base directory rules (from memory): the variable where it is set, else the usual place. */
class FoldersTest {

  @Test
  void theUsualPlacesAreBelowHome() {
    Folders folders = Folders.of(Map.of(), "/home/me");
    assertThat(folders.preferences())
        .isEqualTo(Path.of("/home/me/.config/unimotus/preferences.properties"));
    assertThat(folders.state()).isEqualTo(Path.of("/home/me/.local/state/unimotus"));
    assertThat(folders.sheets()).isEqualTo(Path.of("/home/me/.local/share/unimotus/sheets"));
  }

  @Test
  void variablesThatAreSetDecide() {
    Folders folders =
        Folders.of(Map.of("XDG_CONFIG_HOME", "/etc/me", "XDG_STATE_HOME", " "), "/home/me");
    assertThat(folders.preferences()).isEqualTo(Path.of("/etc/me/unimotus/preferences.properties"));
    assertThat(folders.state()).isEqualTo(Path.of("/home/me/.local/state/unimotus"));
  }
}
