package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;
import unimotus.workbench.Opening;
import unimotus.workbench.Preferences;

/** Several windows, and the page a line without axes begins with. */
class WindowsTest extends WindowTest {

  @Test
  void anotherWindowHasALineOfItsOwnAndRemembersTheSame() {
    Windows windows =
        new Windows(
            folder.resolve("shared.properties"), folder.resolve("sheets"), folder.resolve("state"));
    Windows.Opened[] both = new Windows.Opened[2];
    onWindow(
        () -> {
          both[0] =
              windows.make(
                  new Stage(), Opening.of(SheetLibrary.catalogue(), Demo.project()), 1000, 700);
          both[0].stage().show();
          both[1] = windows.another(both[0]);
        });
    assertThat(both[1].desk().session().project().axes()).isEmpty();
    assertThat(both[1].stage().getTitle()).isNotEqualTo(both[0].stage().getTitle());
    assertThat(both[1].stage().getIcons()).hasSize(1);
    onWindow(() -> both[1].desk().remember(both[1].desk().preferences().get().withDark(true)));
    assertThat(both[0].desk().preferences().get().dark()).isTrue();
    assertThat(Preferences.load(folder.resolve("shared.properties")).dark()).isTrue();
    onWindow(
        () -> {
          both[1].stage().close();
          both[0].stage().close();
        });
    assertThat(both[0].desk().session().project().axes()).hasSize(7);
  }

  @Test
  void theStartPageGoesOnWithWhatWasOpen() throws Exception {
    Path file = folder.resolve("line.unimotus.json");
    onWindow(desk::openDemo);
    answers.file = file;
    push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.S);
    settle();
    assertThat(Files.exists(file)).isTrue();
    onWindow(() -> desk.remember(desk.preferences().get().withRecent(file)));
    onWindow(
        () -> {
          desk.session().startNew();
          desk.show(null, null);
        });
    assertThat(shows("An empty line")).isTrue();
    click(this, "#recent-0");
    assertThat(desk.session().project().axes()).hasSize(7);
    Files.delete(file);
    onWindow(() -> desk.session().startNew());
    assertThat(lookup("#recent-0").tryQuery()).isEmpty();
  }
}
