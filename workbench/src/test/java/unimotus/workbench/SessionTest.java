package unimotus.workbench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import unimotus.core.machine.Project;
import unimotus.core.sheet.SettingValue;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.formats.project.ProjectFile;
import unimotus.formats.sheet.SheetLibrary;

class SessionTest {
  private static final SheetCatalogue SHEETS = SheetLibrary.catalogue();

  @TempDir private Path folder;
  private Session session;

  @BeforeEach
  void openTheDemo() {
    session = new Session(SHEETS);
    session.start(Demo.project());
  }

  @Test
  void anEditCanBeTakenBackAndBroughtAgain() {
    Project before = session.project();
    session.apply(Edits.renameAxis("rinse-drum", "Wash drum"));
    assertThat(session.undoName()).contains("rename axis");
    Project after = session.project();
    session.undo();
    assertThat(session.project()).isSameAs(before);
    assertThat(session.isDirty()).isFalse();
    assertThat(session.redoName()).contains("rename axis");
    session.redo();
    assertThat(session.project()).isSameAs(after);
    assertThat(session.isDirty()).isTrue();
  }

  @Test
  void manyEditsCanAllBeTakenBack() {
    Project before = session.project();
    Random random = new Random(3);
    for (int i = 0; i < 500; i++) {
      session.apply(
          Edits.setting("drum-drive", "R30", new SettingValue.Number(1 + random.nextInt(1000))));
    }
    while (session.undoName().isPresent()) {
      session.undo();
    }
    assertThat(session.project()).isEqualTo(before);
    session.undo();
    assertThat(session.project()).isEqualTo(before);
  }

  @Test
  void aNewEditForgetsWhatWasUndone() {
    session.apply(Edits.renameLine("one"));
    session.undo();
    session.apply(Edits.renameLine("two"));
    assertThat(session.redoName()).isEmpty();
  }

  @Test
  void anEditThatChangesNothingLeavesNoTrace() {
    session.apply(Edits.renameLine("Kelp line"));
    assertThat(session.undoName()).isEmpty();
  }

  @Test
  void aRefusedEditChangesNothing() {
    Project before = session.project();
    assertThatThrownBy(() -> session.apply(Edits.renameAxis("rinse-drum", " ")))
        .hasMessageContaining("name is needed");
    assertThatThrownBy(() -> session.apply(Edits.renameAxis("nobody", "x")))
        .hasMessageContaining("no axis 'nobody'");
    assertThatThrownBy(
            () -> session.apply(Edits.setting("nobody", "R30", new SettingValue.Number(1))))
        .hasMessageContaining("no drive 'nobody'");
    assertThat(session.project()).isSameAs(before);
    assertThat(session.undoName()).isEmpty();
  }

  @Test
  void listenersAreToldOnceAChange() {
    Runnable listener = mock(Runnable.class);
    session.onChange(listener);
    session.apply(Edits.renameLine("one"));
    session.undo();
    session.redo();
    verify(listener, times(3)).run();
  }

  @Test
  void theReviewFollowsEveryEdit() {
    assertThat(session.review().axis("rinse-drum").orElseThrow().findings())
        .anyMatch(f -> f.rule().code().equals("ANA-002"));
    session.apply(Edits.setting("drum-drive", "I70", new SettingValue.Choice("4-20 mA")));
    assertThat(session.review().axis("rinse-drum").orElseThrow().findings())
        .noneMatch(f -> f.rule().code().equals("ANA-002"));
    session.undo();
    assertThat(session.review().axis("rinse-drum").orElseThrow().findings())
        .anyMatch(f -> f.rule().code().equals("ANA-002"));
  }

  @Test
  void savingAndOpeningKeepsEverything() throws IOException {
    Path file = folder.resolve("line.unimotus.json");
    session.apply(Edits.renameLine("Other line"));
    assertThatThrownBy(() -> session.save()).hasMessageContaining("no file yet");
    session.saveAs(file);
    assertThat(session.isDirty()).isFalse();
    Session again = new Session(SHEETS);
    again.open(file);
    assertThat(again.project()).isEqualTo(session.project());
    assertThat(again.file()).contains(file);
    again.apply(Edits.renameLine("Third"));
    again.save();
    assertThat(ProjectFile.load(file).project().name()).isEqualTo("Third");
  }

  @Test
  void aFileThatCannotBeReadLeavesWhatIsOpen() throws IOException {
    Path file = folder.resolve("broken.unimotus.json");
    Files.writeString(file, "{ \"format\": \"unimotus-project\", ");
    Project before = session.project();
    assertThatThrownBy(() -> session.open(file))
        .hasMessageContaining("broken.unimotus.json, line 1");
    assertThat(session.project()).isSameAs(before);
  }

  @Test
  void aNewerFileIsOpenForReadingUntilSavedUnderAnotherName() throws IOException {
    Path file = folder.resolve("newer.unimotus.json");
    Files.writeString(
        file,
        new String(Demo.bytes(), java.nio.charset.StandardCharsets.UTF_8)
            .replace(
                "\"version\": " + ProjectFile.VERSION,
                "\"version\": " + (ProjectFile.VERSION + 1)));
    session.open(file);
    assertThat(session.isReadOnly()).isTrue();
    assertThatThrownBy(() -> session.apply(Edits.renameLine("x")))
        .hasMessageContaining("reading only");
    assertThatThrownBy(() -> session.save()).hasMessageContaining("newer version");
    session.saveAs(folder.resolve("mine.unimotus.json"));
    session.apply(Edits.renameLine("x"));
    assertThat(session.project().name()).isEqualTo("x");
  }

  @Test
  void aFileThatSomebodyElseChangedIsNotWrittenOver() throws Exception {
    Path file = folder.resolve("line.unimotus.json");
    session.saveAs(file);
    Session other = new Session(SHEETS);
    other.open(file);
    other.apply(Edits.renameLine("theirs"));
    other.save();
    session.apply(Edits.renameLine("mine"));
    assertThatThrownBy(() -> session.save())
        .hasMessageContaining("line.unimotus.json")
        .hasMessageContaining("changed by another window");
    assertThat(ProjectFile.load(file).project().name()).isEqualTo("theirs");
    session.saveAs(folder.resolve("mine.unimotus.json"));
    assertThat(session.isDirty()).isFalse();
  }
}
