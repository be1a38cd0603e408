package unimotus.formats.project;

import java.io.IOException;
import java.nio.file.DirectoryIteratorException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import unimotus.core.machine.Project;
import unimotus.formats.file.AtomicFile;

/**
 * Copies of unsaved work beside a project file, one for each window that has it open, so that two
 * windows on one file never write over each other's.
 */
public final class UnsavedCopies {
  private static final String MARK = ".recovery-";

  private UnsavedCopies() {}

  /**
   * Unsaved work of an earlier session.
   *
   * @param copy the file it is kept in
   * @param project the work
   * @param at when it was kept
   */
  public record Unsaved(Path copy, Project project, Instant at) {}

  /** Where the unsaved work of one window on a file is kept. */
  public static Path copy(Path file, String owner) {
    return file.resolveSibling(".%s%s%s".formatted(file.getFileName(), MARK, owner));
  }

  /**
   * Keeps unsaved work.
   *
   * @throws IOException where it cannot be written; an earlier copy is then intact
   */
  public static void keep(Path copy, Project project) throws IOException {
    Files.createDirectories(copy.toAbsolutePath().getParent());
    Path before = copy.resolveSibling(copy.getFileName() + ".previous");
    AtomicFile.write(copy, before, ProjectFile.write(project));
    Files.deleteIfExists(before);
  }

  /**
   * Forgets a copy.
   *
   * @throws IOException where it cannot be removed
   */
  public static void forget(Path copy) throws IOException {
    Files.deleteIfExists(copy);
  }

  /**
   * The newest copy that no open window owns; empty where there is none that can be read. One that
   * cannot be read is left where it is.
   *
   * @param isOpen whether the owner of a copy is a window that is still open
   */
  public static Optional<Unsaved> abandoned(Path file, Predicate<String> isOpen) {
    List<Unsaved> found = new ArrayList<>();
    String start = ".%s%s".formatted(file.getFileName(), MARK);
    Path folder = file.toAbsolutePath().getParent();
    if (folder == null || !Files.isDirectory(folder)) {
      return Optional.empty();
    }
    try (DirectoryStream<Path> all =
        Files.newDirectoryStream(folder, p -> p.getFileName().toString().startsWith(start))) {
      for (Path copy : all) {
        String owner = copy.getFileName().toString().substring(start.length());
        if (!owner.contains(".") && !isOpen.test(owner)) {
          read(copy).ifPresent(found::add);
        }
      }
    } catch (IOException | DirectoryIteratorException unreadable) {
      return Optional.empty();
    }
    return found.stream().max(Comparator.comparing(Unsaved::at));
  }

  private static Optional<Unsaved> read(Path copy) {
    try {
      return Optional.of(
          new Unsaved(
              copy, ProjectFile.load(copy).project(), Files.getLastModifiedTime(copy).toInstant()));
    } catch (IOException unreadable) {
      return Optional.empty();
    }
  }
}
