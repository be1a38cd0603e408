package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executor;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import javafx.scene.text.Text;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;
import unimotus.workbench.Edits;
import unimotus.workbench.Opening;
import unimotus.workbench.Preferences;
import unimotus.workbench.Session;

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

  /**
   * The line stands before it is checked, is edited meanwhile, and is never called more than it is.
   */
  @Test
  void theLineIsThereBeforeItIsChecked() throws Exception {
    CountDownLatch held = new CountDownLatch(1);
    Session session = new Session(SheetLibrary.catalogue());
    Executor background =
        task ->
            new Thread(
                    () -> {
                      try {
                        held.await();
                      } catch (InterruptedException e) {
                        throw new IllegalStateException(e);
                      }
                      task.run();
                    })
                .start();
    Windows windows =
        new Windows(
            folder.resolve("shared.properties"), folder.resolve("sheets"), folder.resolve("state"));
    Windows.Opened[] window = new Windows.Opened[1];
    onWindow(
        () -> {
          session.start(Demo.project(), background);
          window[0] = windows.make(new Stage(), Opening.of(session, background), 1280, 800);
          window[0].stage().show();
        });
    Desk opened = window[0].desk();
    assertThat(opened.isChecked()).isFalse();
    assertThat(says(window[0], "being checked")).isTrue();
    assertThat(says(window[0], "Rinse drum")).isTrue();
    assertThat(says(window[0], "error")).isFalse();
    // An edit waits for the rules, and is not lost.
    new Thread(
            () -> {
              try {
                Thread.sleep(300);
              } catch (InterruptedException e) {
                throw new IllegalStateException(e);
              }
              held.countDown();
            })
        .start();
    onWindow(() -> opened.apply(Edits.renameAxis("rinse-drum", "Washing drum")));
    waitUntil(opened::isChecked);
    assertThat(says(window[0], "being checked")).isFalse();
    assertThat(says(window[0], "Washing drum")).isTrue();
    assertThat(says(window[0], "error")).isTrue();
    assertThat(opened.session().undoName()).isPresent();
    onWindow(() -> window[0].stage().close());
  }

  private static boolean says(Windows.Opened window, String words) {
    return window.shell().lookupAll("*").stream()
        .anyMatch(
            n ->
                (n instanceof Labeled l && l.getText() != null && l.getText().contains(words))
                    || (n instanceof Text t && t.getText().contains(words)));
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
