package unimotus.desktop.shell;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import unimotus.core.machine.Ids;
import unimotus.desktop.Desk;
import unimotus.formats.project.ProjectFile;
import unimotus.formats.project.UnsavedCopies.Unsaved;

/** What becomes of work that is not saved. */
final class Saving {
  private final Desk desk;
  private final AskBar ask;

  Saving(Desk desk, AskBar ask) {
    this.desk = desk;
    this.ask = ask;
  }

  /** Asks what to do with unsaved work, then goes on; goes on at once where there is none. */
  void leave(Runnable then) {
    if (!desk.session().isDirty()) {
      then.run();
      return;
    }
    ask.ask(
        "There is work that is not saved.",
        new AskBar.Answer(
            "save",
            "Save it",
            () -> {
              if (save()) {
                then.run();
              }
            }),
        new AskBar.Answer("discard", "Let it go", then),
        new AskBar.Answer("stay", "Stay", () -> {}));
  }

  /** Asks whether to take up work that an earlier session left unsaved on the file that is open. */
  void offerUnsaved(Unsaved unsaved, Runnable letGo) {
    ask.ask(
        "An earlier session left unsaved work on %s, saved %s."
            .formatted(
                desk.session().file().map(f -> f.getFileName().toString()).orElse("no file yet"),
                desk.time(unsaved.at().toString())),
        new AskBar.Answer(
            "take-up",
            "Restore it",
            () -> {
              desk.session().takeUp(unsaved.project());
              letGo.run();
            }),
        new AskBar.Answer("forget", "Let it go", letGo),
        new AskBar.Answer("later", "Decide later", () -> {}));
  }

  boolean save() {
    if (desk.session().file().isEmpty() || desk.session().isReadOnly()) {
      return saveAs();
    }
    return saving(desk.session()::save);
  }

  boolean saveAs() {
    String name = Ids.from(desk.session().project().name(), List.of()) + ProjectFile.SUFFIX;
    return desk.dialogs()
        .saveProject(name)
        .map(
            file ->
                saving(
                    () -> {
                      desk.session().saveAs(file);
                      desk.remember(desk.preferences().get().withRecent(file));
                    }))
        .orElse(false);
  }

  private interface Write {
    void run() throws IOException;
  }

  private boolean saving(Write how) {
    try {
      how.run();
      desk.say("saved " + desk.session().file().map(Path::getFileName).orElseThrow());
      return true;
    } catch (IOException | IllegalStateException e) {
      desk.refuse("not saved: " + e.getMessage());
      return false;
    }
  }

  /** The file, with a star while something is not saved. */
  String title() {
    String name =
        desk.session()
            .file()
            .map(f -> String.valueOf(f.getFileName()))
            .orElse(desk.session().project().name());
    return "%s%s – Unimotus".formatted(desk.session().isDirty() ? "* " : "", name);
  }

  String state() {
    if (desk.session().isReadOnly()) {
      return "reading only";
    }
    if (desk.session().isDirty()) {
      return "not saved";
    }
    return desk.session().file().isPresent() ? "saved" : "";
  }
}
