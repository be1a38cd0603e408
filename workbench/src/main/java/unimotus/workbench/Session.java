package unimotus.workbench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Project;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.formats.project.ProjectFile;

/**
 * The open project with its history.
 *
 * <p>Every edit makes the next project; the old ones are kept for undo without limit. After each
 * change the line is reviewed and the listeners are told. A project that is opened may be reviewed
 * in the background; whoever asks for its review meanwhile waits for it. Not thread-safe: use it
 * from one thread.
 */
public final class Session {
  private record Past(String name, Project project) {}

  private SheetCatalogue sheets;
  private final List<Runnable> listeners = new ArrayList<>();
  private final Deque<Past> undo = new ArrayDeque<>();
  private final Deque<Past> redo = new ArrayDeque<>();

  private Project project = Project.empty("New line");
  private Project saved = project;
  private CompletableFuture<LineReview> review;
  private @Nullable Path file;

  /** What stood in the file when it was read or saved last. */
  private @Nullable String digest;

  private boolean readOnly;

  /** A session with an empty project. */
  public Session(SheetCatalogue sheets) {
    this.sheets = sheets;
    this.review = CompletableFuture.completedFuture(LineReview.of(project, sheets));
  }

  /** The project as it is now. */
  public Project project() {
    return project;
  }

  /** What the rules say of the project as it is now; waits while that is being worked out. */
  public LineReview review() {
    return review.join();
  }

  /** What the rules say of the project as it is now, once it is worked out. */
  CompletableFuture<LineReview> reviewing() {
    return review;
  }

  /** The known device sheets. */
  public SheetCatalogue sheets() {
    return sheets;
  }

  /** Takes other device sheets, as after one was saved, and looks the line over again. */
  public void use(SheetCatalogue next) {
    sheets = next;
    review = CompletableFuture.completedFuture(LineReview.of(project, next));
    List.copyOf(listeners).forEach(Runnable::run);
  }

  /** The file it was read from or saved to last; empty for a project never saved. */
  public Optional<Path> file() {
    return Optional.ofNullable(file);
  }

  /** Whether the file is of a newer version, so that nothing may be changed. */
  public boolean isReadOnly() {
    return readOnly;
  }

  /** Whether there is work that is not saved. */
  @SuppressWarnings(
      "ReferenceEquality") // Every edit makes a new object; undo brings the old one back.
  public boolean isDirty() {
    return project != saved;
  }

  /** Adds a listener that is told after every change. */
  public void onChange(Runnable listener) {
    listeners.add(listener);
  }

  /**
   * Carries out an edit.
   *
   * @throws IllegalArgumentException where the change is refused; the project then stays as it was
   * @throws IllegalStateException where the project is read-only
   */
  public void apply(Edit edit) {
    if (readOnly) {
      throw new IllegalStateException(
          "this file was written by a newer version and is open for reading only; save it under another name to change it");
    }
    Project next = edit.change().apply(project);
    if (next.equals(project)) {
      return;
    }
    undo.push(new Past(edit.name(), project));
    redo.clear();
    become(next);
  }

  /** The name of the edit that undo takes back; empty where there is none. */
  public Optional<String> undoName() {
    return Optional.ofNullable(undo.peek()).map(Past::name);
  }

  /** The name of the edit that redo brings again; empty where there is none. */
  public Optional<String> redoName() {
    return Optional.ofNullable(redo.peek()).map(Past::name);
  }

  /** Takes back the last edit; does nothing where there is none. */
  public void undo() {
    step(undo, redo);
  }

  /** Brings the last undone edit again; does nothing where there is none. */
  public void redo() {
    step(redo, undo);
  }

  private void step(Deque<Past> from, Deque<Past> to) {
    Past past = from.poll();
    if (past != null) {
      to.push(new Past(past.name(), project));
      become(past.project());
    }
  }

  /** Starts an empty project; what was open is let go. */
  public void startNew() {
    begin(Project.empty("New line"), null, false, Runnable::run);
  }

  /** Starts with a project that is not in a file yet, such as the demo. */
  public void start(Project project) {
    start(project, Runnable::run);
  }

  /** Starts with a project that is not in a file yet and has it reviewed where is said. */
  public void start(Project project, Executor reviewer) {
    begin(project, null, false, reviewer);
  }

  /**
   * Opens a file; what was open is let go only when the file could be read.
   *
   * @throws IOException naming file, line and place of what is wrong
   */
  public void open(Path path) throws IOException {
    open(path, Runnable::run);
  }

  /**
   * Opens a file and has it reviewed where is said; what was open is let go only when the file
   * could be read.
   *
   * @throws IOException naming file, line and place of what is wrong
   */
  public void open(Path path, Executor reviewer) throws IOException {
    ProjectFile.Loaded loaded = ProjectFile.load(path);
    begin(loaded.project(), path, loaded.readOnly(), reviewer);
    digest = loaded.digest();
  }

  /** Takes up unsaved work of an earlier session on the open file; it counts as one edit. */
  public void takeUp(Project unsaved) {
    undo.push(new Past("recover unsaved work", project));
    become(unsaved);
  }

  /**
   * Saves to the file it came from.
   *
   * @throws IllegalStateException where there is no file yet, it may not be changed, or somebody
   *     else changed it since it was read
   * @throws IOException where it cannot be written; the file before is then intact
   */
  public void save() throws IOException {
    if (file == null) {
      throw new IllegalStateException("the project has no file yet; save it under a name");
    }
    if (readOnly) {
      throw new IllegalStateException("the file is of a newer version; save under another name");
    }
    if (isChangedElsewhere(file)) {
      throw new IllegalStateException(
          "%s was changed by another window or program since it was read; save under another name, or open it again"
              .formatted(file.getFileName()));
    }
    saveTo(file);
    tell();
  }

  private boolean isChangedElsewhere(Path path) throws IOException {
    return digest != null
        && Files.exists(path)
        && !digest.equals(ProjectFile.digest(Files.readAllBytes(path)));
  }

  /**
   * Saves under a name; the project belongs to that file from then on.
   *
   * @throws IOException where it cannot be written; a file before is then intact
   */
  public void saveAs(Path path) throws IOException {
    saveTo(path);
    file = path;
    readOnly = false;
    tell();
  }

  private void saveTo(Path path) throws IOException {
    digest = ProjectFile.save(path, project);
    saved = project;
  }

  private void begin(Project next, @Nullable Path from, boolean onlyReading, Executor reviewer) {
    undo.clear();
    redo.clear();
    digest = null;
    file = from;
    readOnly = onlyReading;
    saved = next;
    project = next;
    LineReview before = review();
    SheetCatalogue known = sheets;
    review = CompletableFuture.supplyAsync(() -> LineReview.of(next, known, before), reviewer);
    tell();
  }

  private void become(Project next) {
    LineReview before = review();
    project = next;
    review = CompletableFuture.completedFuture(LineReview.of(next, sheets, before));
    tell();
  }

  private void tell() {
    List.copyOf(listeners).forEach(Runnable::run);
  }
}
