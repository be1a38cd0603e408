package unimotus.workbench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import unimotus.core.machine.Project;
import unimotus.formats.project.ProjectFile;

/**
 * Keeps unsaved work on disk while a project is open, so that a crash or a flat battery loses
 * nothing. Writes in the background; of several edits in quick succession only the last is written.
 */
public final class UnsavedKeeper implements AutoCloseable {

  private record Work(Path file, Project project) {}

  private final Session session;
  private final Path unnamed;
  private final AtomicReference<Work> waiting = new AtomicReference<>();
  private final ExecutorService writer =
      Executors.newSingleThreadExecutor(
          task -> {
            Thread thread = new Thread(task, "unsaved-keeper");
            thread.setDaemon(true);
            return thread;
          });

  /**
   * Starts keeping the session's unsaved work.
   *
   * @param stateFolder where work without a file of its own is kept
   */
  public UnsavedKeeper(Session session, Path stateFolder) {
    this.session = session;
    this.unnamed = stateFolder.resolve("unnamed" + ProjectFile.SUFFIX);
    session.onChange(this::keep);
  }

  /** Work of an earlier session on the open file, or on none; empty where there is none. */
  public Optional<ProjectFile.Unsaved> found() {
    return ProjectFile.unsaved(target());
  }

  /** Forgets what was found or kept. */
  public void forget() {
    waiting.set(null);
    writer.execute(() -> forget(target()));
  }

  private void keep() {
    if (!session.isDirty()) {
      return;
    }
    Work work = new Work(target(), session.project());
    if (waiting.getAndSet(work) == null) {
      writer.execute(this::write);
    }
  }

  private Path target() {
    return session.file().orElse(unnamed);
  }

  private void write() {
    Work work = waiting.getAndSet(null);
    if (work == null) {
      return;
    }
    try {
      Files.createDirectories(work.file().toAbsolutePath().getParent());
      ProjectFile.keepUnsaved(work.file(), work.project());
    } catch (IOException e) {
      log().warn("unsaved work could not be kept beside {}: {}", work.file(), e.getMessage());
    }
  }

  private static void forget(Path file) {
    try {
      ProjectFile.forgetUnsaved(file);
    } catch (IOException e) {
      log().warn("kept work could not be removed beside {}: {}", file, e.getMessage());
    }
  }

  /** Ends keeping after what waits has been written; a clean end forgets it. */
  @Override
  public void close() {
    writer.shutdown();
    try {
      if (!writer.awaitTermination(5, TimeUnit.SECONDS)) {
        log().warn("unsaved work was still being written after 5 s");
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  /** Asked for only when there is something to say: setting up the log costs a quarter second. */
  private static Logger log() {
    return LoggerFactory.getLogger(UnsavedKeeper.class);
  }
}
