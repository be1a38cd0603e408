package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Region;
import org.junit.jupiter.api.Test;
import unimotus.core.machine.Reading;
import unimotus.desktop.shell.Shell;
import unimotus.formats.project.ProjectFile;
import unimotus.workbench.Demo;
import unimotus.workbench.Edits;
import unimotus.workbench.Session;
import unimotus.workbench.UnsavedKeeper;
import unimotus.workbench.WorkStep;

/** A record is only what a person entered, and what cannot be used is told in the window too. */
class EvidenceTest extends WindowTest {

  private void at(String axis, WorkStep step) {
    onWindow(
        () -> {
          desk.openDemo();
          desk.show(axis, step);
        });
  }

  private List<Reading> readings(String axis) {
    return desk.session().project().readings().stream().filter(r -> r.axis().equals(axis)).toList();
  }

  /** Passing through a choice with the arrow keys is no reading; Enter in the open list is. */
  @Test
  void anArrowRecordsNothing() {
    at("rinse-drum", WorkStep.PROVE);
    int before = readings("rinse-drum").size();
    interact(() -> lookup("#reading-permission-open").query().requestFocus());
    push(KeyCode.DOWN);
    push(KeyCode.DOWN);
    push(KeyCode.ESCAPE);
    settle();
    assertThat(readings("rinse-drum")).hasSize(before);
    push(KeyCode.DOWN);
    push(KeyCode.DOWN);
    push(KeyCode.ENTER);
    settle();
    assertThat(readings("rinse-drum")).hasSize(before + 1);
  }

  /** Beside a reading stand words and a photo; without a reading nothing can. */
  @Test
  void aNoteAndAPhotoAreKeptBesideTheReading() {
    at("drying-fan", WorkStep.PROVE);
    int before = readings("drying-fan").size();
    press("#beside-permission-open");
    interact(() -> lookup("#note-permission-open").<TextField>query().setText("lamp H3 off"));
    interact(() -> lookup("#photo-permission-open").<TextField>query().setText("p/17.jpg"));
    press("#keep-note-permission-open");
    settle();
    assertThat(readings("drying-fan")).hasSize(before);
    assertThat(readings("drying-fan"))
        .anyMatch(r -> "lamp H3 off".equals(r.note()) && "p/17.jpg".equals(r.photo()));
    press("#beside-ref0-shaft");
    press("#keep-note-ref0-shaft");
    settle();
    assertThat(desk.message().get().text()).contains("no reading yet");
    press("#large-fields");
    settle();
    assertThat(lookup("#reading-permission-open").<Region>query().getHeight())
        .isGreaterThanOrEqualTo(44);
  }

  /** What was typed and not taken does not follow to the next axis. */
  @Test
  void aReadingStaysWithItsAxis() {
    at("rinse-drum", WorkStep.PROVE);
    int pump = readings("header-pump").size();
    interact(() -> lookup("#reading-ref0-frequency").query().requestFocus());
    settle();
    write("10", 0);
    settle();
    onWindow(() -> desk.show("header-pump", WorkStep.PROVE));
    assertThat(text(this, "#reading-ref0-frequency")).doesNotContain("10");
    assertThat(readings("header-pump")).hasSize(pump);
    onWindow(() -> desk.show("rinse-drum", WorkStep.PROVE));
    type("#reading-ref0-frequency", "10");
    assertThat(readings("rinse-drum"))
        .last()
        .satisfies(
            r -> {
              assertThat(r.prediction()).isEqualTo("ref0.frequency");
              assertThat(r.by()).isEqualTo("A. Tester");
              assertThat(r.takenAt()).isEqualTo("2026-01-02T03:04:05Z");
            });
  }

  @Test
  void theNameIsAskedOnceAndRemembered() {
    onWindow(() -> desk.remember(desk.preferences().get().withName("")));
    at("rinse-drum", WorkStep.PROVE);
    int before = readings("rinse-drum").size();
    enter(this, "#reading-ref0-frequency", "10");
    assertThat(message(this)).contains("enter your name first");
    assertThat(readings("rinse-drum")).hasSize(before);
    enter(this, "#measured-by", "B. Other");
    enter(this, "#reading-ref0-frequency", "10");
    assertThat(readings("rinse-drum")).last().extracting(Reading::by).isEqualTo("B. Other");
    assertThat(desk.preferences().get().name()).isEqualTo("B. Other");
    onWindow(() -> desk.show("rinse-drum", WorkStep.MAKE_SAFE));
    click(this, "#side-record");
    assertThat(text(this, "#note-who")).isEqualTo("B. Other");
  }

  /** Readings that do not go together are named as such. */
  @Test
  void theDetectiveAdmitsContradiction() {
    at("rinse-drum", WorkStep.PROVE);
    String[] hertz = {"41", "3", "48", "11", "29"};
    for (int i = 0; i < hertz.length; i++) {
      enter(this, "#reading-ref%d-frequency".formatted(25 * i), hertz[i]);
    }
    assertThat(shows("Not explained by any known cause")).isTrue();
    assertThat(shows("does not go with the others")).isTrue();
    assertThat(shows("Nothing: the axis is as designed")).isFalse();
  }

  /** A range nobody can set, as another program might have written it. */
  @Test
  void aSwitchPositionThatIsNoneIsShown() throws Exception {
    String json = new String(ProjectFile.write(Demo.project()), StandardCharsets.UTF_8);
    Path file = folder.resolve("odd.unimotus.json");
    Files.writeString(
        file, json.replaceFirst("\"AO0.range\": \"4-20 mA\"", "\"AO0.range\": \"4..20 mA\""));
    onWindow(
        () -> {
          try {
            desk.session().open(file);
          } catch (java.io.IOException e) {
            throw new IllegalStateException(e);
          }
          desk.show("rinse-drum", WorkStep.IDENTIFY);
        });
    assertThat(shows("Switch does not have this position")).isTrue();
    assertThat(shows("is set to '4..20 mA'; it has")).isTrue();
    onWindow(() -> desk.show("rinse-drum", WorkStep.PROVE));
    assertThat(shows("is set to '4..20 mA'")).isTrue();
    assertThat(lookup("#reading-ref50-frequency").tryQuery()).isEmpty();
  }

  /** Whatever way a file is opened, the work that was left on it is offered, and only that. */
  @Test
  void workLeftOnAFileIsOfferedWhenItIsOpened() throws Exception {
    Path one = folder.resolve("one.unimotus.json");
    Path two = folder.resolve("two.unimotus.json");
    for (Path file : List.of(one, two)) {
      Session crashed = new Session(desk.session().sheets());
      crashed.start(Demo.project());
      crashed.saveAs(file);
      try (UnsavedKeeper keeper = new UnsavedKeeper(crashed, folder.resolve("state"), u -> {})) {
        crashed.apply(Edits.renameLine("left on " + file.getFileName()));
      }
    }
    try (UnsavedKeeper keeper = keeping(shell)) {
      answers.file = two;
      push(KeyCode.CONTROL, KeyCode.O);
      waitUntil(() -> shows("An earlier session left unsaved work on two.unimotus.json"));
      click(this, "#answer-take-up");
      assertThat(desk.session().project().name()).isEqualTo("left on two.unimotus.json");
      assertThat(desk.session().isDirty()).isTrue();
    }
  }

  private UnsavedKeeper keeping(Shell shown) {
    UnsavedKeeper[] own = new UnsavedKeeper[1];
    onWindow(
        () ->
            own[0] =
                new UnsavedKeeper(
                    desk.session(),
                    folder.resolve("state"),
                    u ->
                        javafx.application.Platform.runLater(
                            () -> shown.offerUnsaved(u, () -> own[0].letGo(u)))));
    return own[0];
  }
}
