package unimotus.workbench;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import unimotus.core.machine.Project;
import unimotus.formats.project.ProjectFile;
import unimotus.formats.project.UnsavedCopies;
import unimotus.formats.project.UnsavedCopies.Unsaved;

/**
 * Keeps unsaved work on disk while a project is open, so that a crash or a flat battery loses
 * nothing. The copy belongs to the file and to this window: saving clears it, saving under another
 * name moves it, and no other window's copy is ever touched.
 *
 * <p>Writes in the background; of several edits in quick succession only the last is written. Used
 * from the thread of the session.
 */
public final class UnsavedKeeper implements AutoCloseable {
  private static final AtomicInteger NEXT = new AtomicInteger();

  /** Windows open in this process. */
  private static final Set<String> OPEN = ConcurrentHashMap.newKeySet();

  private record Work(Path copy, Project project) {}

  private final Session session;
  private final Path unnamed;
  private final Consumer<Unsaved> found;
  private final String owner =
      "%d-%d".formatted(ProcessHandle.current().pid(), NEXT.getAndIncrement());
  private final AtomicReference<@Nullable Work> waiting = new AtomicReference<>();
  private final ExecutorService writer;

  /** The file whose copy is kept now. */
  private Path at;

  /** The project at the last change. */
  private Project last;

  /**
   * Starts keeping the session's unsaved work.
   *
   * @param stateFolder where work without a file of its own is kept
   * @param found told of work that an earlier session left on the file that is open, now and
   *     whenever a file is opened
   */
  public UnsavedKeeper(Session session, Path stateFolder, Consumer<Unsaved> found) {
    this(session, stateFolder, found, Executors.newSingleThreadExecutor(UnsavedKeeper::thread));
  }

  /** The same with a writer of its own, which takes one turn after the other. */
  UnsavedKeeper(
      Session session, Path stateFolder, Consumer<Unsaved> found, ExecutorService writer) {
    this.session = session;
    this.writer = writer;
    this.unnamed = stateFolder.resolve("unnamed" + ProjectFile.SUFFIX);
    this.found = found;
    this.at = target();
    this.last = session.project();
    OPEN.add(owner);
    session.onChange(this::changed);
    abandoned().ifPresent(found);
  }

  private static Thread thread(Runnable task) {
    Thread thread = new Thread(task, "unsaved-keeper");
    thread.setDaemon(true);
    return thread;
  }

  /** Work that an earlier session left on the open file, or on none; empty where there is none. */
  public Optional<Unsaved> abandoned() {
    return UnsavedCopies.abandoned(at, UnsavedKeeper::isOpen);
  }

  /** Lets work of an earlier session go for good. */
  public void letGo(Unsaved unsaved) {
    writer.execute(() -> forget(unsaved.copy()));
  }

  /** Ends keeping because all is saved or was let go on purpose. */
  public void forget() {
    drop(at);
  }

  @SuppressWarnings("ReferenceEquality") // Saving under another name leaves the very same project.
  private void changed() {
    Path now = target();
    boolean opened = !now.equals(at) && session.project() != last;
    if (!now.equals(at)) {
      drop(at);
      at = now;
    }
    last = session.project();
    if (session.isDirty()) {
      keep();
    } else {
      drop(at);
    }
    if (opened && session.file().isPresent()) {
      abandoned().ifPresent(found);
    }
  }

  private void keep() {
    Work work = new Work(UnsavedCopies.copy(at, owner), session.project());
    waiting.set(work);
    writer.execute(() -> write(work));
  }

  /** Removes this window's own copy of a file. */
  private void drop(Path file) {
    waiting.set(null);
    Path copy = UnsavedCopies.copy(file, owner);
    writer.execute(() -> forget(copy));
  }

  private Path target() {
    return session.file().orElse(unnamed);
  }

  /**
   * Each turn writes its own work or none: taken earlier, later work would fall to a drop before
   * it.
   */
  private void write(Work work) {
    if (!waiting.compareAndSet(work, null)) {
      return;
    }
    try {
      UnsavedCopies.keep(work.copy(), work.project());
    } catch (IOException e) {
      log().warn("unsaved work could not be saved in {}: {}", work.copy(), e.getMessage());
    }
  }

  private static void forget(Path copy) {
    try {
      UnsavedCopies.forget(copy);
    } catch (IOException e) {
      log().warn("saved work could not be removed from {}: {}", copy, e.getMessage());
    }
  }

  /** Whether a copy belongs to a window that is still open, in this process or another. */
  private static boolean isOpen(String owner) {
    if (OPEN.contains(owner)) {
      return true;
    }
    int dash = owner.indexOf('-');
    String process = dash < 0 ? owner : owner.substring(0, dash);
    return process.matches("\\d{1,18}")
        && Long.parseLong(process) != ProcessHandle.current().pid()
        && ProcessHandle.of(Long.parseLong(process)).filter(ProcessHandle::isAlive).isPresent();
  }

  /** Ends keeping after what waits has been written; what is unsaved stays kept. */
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
    OPEN.remove(owner);
  }

  /** Asked for only when there is something to say: setting up the log costs a quarter second. */
  private static Logger log() {
    return LoggerFactory.getLogger(UnsavedKeeper.class);
  }
}
