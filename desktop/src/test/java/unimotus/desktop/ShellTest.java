package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.time.Instant;
import javafx.scene.control.Button;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import org.junit.jupiter.api.Test;
import unimotus.core.quantity.MeasureUnit;
import unimotus.formats.project.ProjectFile;
import unimotus.formats.project.UnsavedCopies;
import unimotus.workbench.Demo;
import unimotus.workbench.Edits;
import unimotus.workbench.Preferences;
import unimotus.workbench.WorkStep;

/** The frame: stations and axes by keyboard, files, questions, help, looks, units. */
class ShellTest extends WindowTest {

  private void openDemo() {
    onWindow(() -> desk.openDemo());
  }

  private boolean isDark() {
    return stage.getScene().getRoot().getStyleClass().contains("dark");
  }

  @Test
  void stationsAndAxesAreReachedByKeyboard() {
    openDemo();
    push(KeyCode.ALT, KeyCode.DIGIT1);
    assertThat(desk.step().get()).isEqualTo(WorkStep.IDENTIFY);
    push(KeyCode.ALT, KeyCode.DOWN);
    assertThat(desk.axisId().get()).isEqualTo("header-pump");
    push(KeyCode.ALT, KeyCode.UP);
    push(KeyCode.ALT, KeyCode.UP);
    assertThat(desk.axisId().get()).as("round the end").isEqualTo("bale-tie");
    push(KeyCode.ALT, KeyCode.DIGIT3);
    assertThat(desk.step().get()).isEqualTo(WorkStep.MAKE_SAFE);
    push(KeyCode.ALT, KeyCode.DIGIT8);
    assertThat(message(this)).contains("Hand over is not in this version");
    assertThat(desk.step().get()).isEqualTo(WorkStep.MAKE_SAFE);
    push(KeyCode.ALT, KeyCode.DIGIT0);
    assertThat(desk.step().get()).isNull();
  }

  private void key(javafx.event.EventType<KeyEvent> type, KeyCode code) {
    interact(
        () ->
            javafx.event.Event.fireEvent(
                shell, new KeyEvent(type, "", "", code, false, code != KeyCode.F9, false, false)));
  }

  /** A keyboard repeats a key that is held: the command is given once, however long it takes. */
  @Test
  void aCommandThatIsHeldDownIsGivenOnce() {
    openDemo();
    for (int i = 0; i < 3; i++) {
      key(KeyEvent.KEY_PRESSED, KeyCode.EQUALS);
    }
    assertThat(desk.preferences().get().zoomPercent()).isEqualTo(110);
    key(KeyEvent.KEY_RELEASED, KeyCode.EQUALS);
    key(KeyEvent.KEY_PRESSED, KeyCode.EQUALS);
    assertThat(desk.preferences().get().zoomPercent()).isEqualTo(125);
    // The release went elsewhere: the modifier is pressed anew.
    key(KeyEvent.KEY_PRESSED, KeyCode.CONTROL);
    key(KeyEvent.KEY_PRESSED, KeyCode.EQUALS);
    assertThat(desk.preferences().get().zoomPercent()).isEqualTo(150);
  }

  @Test
  void everyStationOfEveryAxisCanBeLookedAt() {
    openDemo();
    for (String axis : desk.session().project().axes().stream().map(a -> a.id()).toList()) {
      for (WorkStep step : WorkStep.values()) {
        if (step != WorkStep.HAND_OVER) {
          onWindow(() -> desk.show(axis, step));
          assertThat(lookup("#axis-" + axis).tryQuery()).isPresent();
        }
      }
    }
  }

  @Test
  void theOverviewLeadsToTheNextThingToDo() {
    openDemo();
    assertThat(shows("7 axes, 1 error on 1 axis")).isTrue();
    click(this, "#open-rinse-drum");
    assertThat(desk.axisId().get()).isEqualTo("rinse-drum");
    // The range of the input is a setting of the drive: there it is mended.
    assertThat(desk.step().get()).isEqualTo(WorkStep.SET_UP);
    assertThat(lookup(".journey-row.chosen").queryAll()).hasSize(1);
    click(this, "#line-overview");
    click(this, "#open-infeed-belt");
    assertThat(desk.step().get()).isEqualTo(WorkStep.MAKE_SAFE);
  }

  @Test
  void unsavedWorkIsAskedAboutBeforeItIsLetGo() throws Exception {
    openDemo();
    onWindow(() -> desk.apply(Edits.renameLine("Changed")));
    assertThat(text(this, "#saved-state")).isEqualTo("not saved");
    push(KeyCode.CONTROL, KeyCode.N);
    settle();
    assertThat(shows("There is work that is not saved.")).isTrue();
    click(this, "#answer-stay");
    assertThat(desk.session().project().name()).isEqualTo("Changed");
    push(KeyCode.CONTROL, KeyCode.N);
    settle();
    answers.file = folder.resolve("kept.unimotus.json");
    click(this, "#answer-save");
    assertThat(desk.session().project().name()).isEqualTo("New line");
    assertThat(ProjectFile.load(answers.file).project().name()).isEqualTo("Changed");
  }

  @Test
  void letGoMeansLetGo() {
    openDemo();
    onWindow(() -> desk.apply(Edits.renameLine("Changed")));
    push(KeyCode.CONTROL, KeyCode.N);
    settle();
    click(this, "#answer-discard");
    assertThat(desk.session().project().axes()).isEmpty();
  }

  @Test
  void aBrokenFileIsToldWithLineAndLeavesWhatIsOpen() throws Exception {
    openDemo();
    answers.file = folder.resolve("broken.unimotus.json");
    Files.writeString(answers.file, "{\n  \"format\": \"unimotus-project\",\n  \"version\": 1,\n");
    push(KeyCode.CONTROL, KeyCode.O);
    settle();
    assertThat(message(this)).contains("broken.unimotus.json, line 4");
    assertThat(desk.session().project().name()).isEqualTo("Kelp line");
  }

  @Test
  void aNewerFileIsForReadingOnly() throws Exception {
    answers.file = folder.resolve("newer.unimotus.json");
    Files.writeString(
        answers.file,
        new String(Demo.bytes(), StandardCharsets.UTF_8)
            .replace(
                "\"version\": " + ProjectFile.VERSION,
                "\"version\": " + (ProjectFile.VERSION + 1)));
    push(KeyCode.CONTROL, KeyCode.O);
    settle();
    assertThat(text(this, "#saved-state")).isEqualTo("reading only");
    onWindow(() -> desk.apply(Edits.renameLine("x")));
    assertThat(message(this)).contains("reading only");
    assertThat(desk.session().project().name()).isEqualTo("Kelp line");
  }

  @Test
  void aSaveThatFailsSaysWhyAndKeepsTheWork() {
    openDemo();
    answers.file = folder.resolve("no-such-folder").resolve("x.unimotus.json");
    push(KeyCode.CONTROL, KeyCode.S);
    settle();
    assertThat(message(this)).contains("not saved");
    assertThat(desk.session().project().name()).isEqualTo("Kelp line");
  }

  @Test
  void anOpenedFileIsRemembered() throws Exception {
    answers.file = folder.resolve("line.unimotus.json");
    Files.write(answers.file, Demo.bytes());
    push(KeyCode.CONTROL, KeyCode.O);
    settle();
    assertThat(Preferences.load(folder.resolve("preferences.properties")).recent())
        .containsExactly(answers.file);
  }

  @Test
  void workOfACrashedSessionIsOffered() {
    onWindow(
        () ->
            shell.offerUnsaved(
                new UnsavedCopies.Unsaved(folder.resolve("copy"), Demo.project(), Instant.EPOCH),
                () -> desk.say("forgotten")));
    click(this, "#answer-take-up");
    assertThat(desk.session().project().name()).isEqualTo("Kelp line");
    assertThat(desk.session().isDirty()).isTrue();
    push(KeyCode.CONTROL, KeyCode.Z);
    settle();
    assertThat(desk.session().project().axes()).isEmpty();
    onWindow(
        () ->
            shell.offerUnsaved(
                new UnsavedCopies.Unsaved(folder.resolve("copy"), Demo.project(), Instant.EPOCH),
                () -> desk.say("forgotten")));
    click(this, "#answer-forget");
    assertThat(message(this)).isEqualTo("forgotten");
  }

  @Test
  void theGuideOpensAtTheChapterOfTheViewAndGoes() {
    interact(desk::openDemo);
    for (WorkStep step : WorkStep.values()) {
      if (step != WorkStep.HAND_OVER) {
        interact(() -> desk.show("rinse-drum", step));
        settle();
        push(KeyCode.F1);
        settle();
        assertThat(stage.getScene().getFocusOwner())
            .isInstanceOfSatisfying(
                Button.class, b -> assertThat(b.getText()).startsWith(step.label()));
        push(KeyCode.ESCAPE);
        settle();
        assertThat(stage.getScene().getFocusOwner().getId()).isNotEqualTo("close-help");
      }
    }
    interact(() -> desk.show(null, null));
    settle();
    push(KeyCode.F1);
    settle();
    assertThat(((Button) stage.getScene().getFocusOwner()).getText()).isEqualTo("The whole line");
    click(this, "#chapter-0");
    assertThat(shows("Alt+↓, Alt+↑")).isTrue();
    click(this, "#close-help");
    assertThat(lookup("#close-help").query().localToScene(0, 0)).isNotNull();
  }

  @Test
  void lightAndDarkAreRemembered() {
    assertThat(isDark()).isFalse();
    push(KeyCode.CONTROL, KeyCode.D);
    settle();
    assertThat(isDark()).isTrue();
    assertThat(Preferences.load(folder.resolve("preferences.properties")).dark()).isTrue();
    push(KeyCode.CONTROL, KeyCode.D);
    settle();
    assertThat(isDark()).isFalse();
  }

  @Test
  void unitsAndCommaChangeEverywhereAtOnce() {
    openDemo();
    onWindow(() -> desk.show("rinse-drum", WorkStep.MAP));
    onWindow(
        () ->
            desk.remember(
                desk.preferences()
                    .get()
                    .withUnits(
                        desk.units().with(MeasureUnit.FEET_PER_MINUTE).withDecimalMark(','))));
    assertThat(
            from(lookup("#station-number"))
                .lookup((Labeled l) -> l.getText().equals("41,01"))
                .tryQuery())
        .isPresent();
    assertThat(
            from(lookup("#station-number"))
                .lookup((Labeled l) -> l.getText().equals("ft/min"))
                .tryQuery())
        .isPresent();
    click(this, "#station-number");
    enter(this, "#station-entry", "82,021");
    assertThat(
            from(lookup("#station-counts"))
                .lookup((Labeled l) -> l.getText().replace("\u202f", "").equals("27648"))
                .tryQuery())
        .isPresent();
  }

  @Test
  void undoSaysWhatItTookBack() {
    openDemo();
    push(KeyCode.CONTROL, KeyCode.Z);
    settle();
    assertThat(message(this)).isEqualTo("nothing to undo");
    onWindow(() -> desk.apply(Edits.renameLine("Changed")));
    push(KeyCode.CONTROL, KeyCode.Z);
    settle();
    assertThat(message(this)).isEqualTo("undone: rename the line");
    push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.Z);
    settle();
    assertThat(desk.session().project().name()).isEqualTo("Changed");
  }

  @Test
  void startingAnAxisCanBeLeft() {
    push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.N);
    settle();
    assertThat(shows("A new axis")).isTrue();
    click(this, "#axis-add");
    assertThat(message(this)).contains("the axis needs a name");
    click(this, "#axis-cancel");
    assertThat(shows("An empty line")).isTrue();
    assertThat(desk.session().isDirty()).isFalse();
  }
}
