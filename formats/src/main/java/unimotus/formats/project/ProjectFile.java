package unimotus.formats.project;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Optional;
import unimotus.core.machine.Project;
import unimotus.formats.file.AtomicFile;
import unimotus.formats.json.Documents;
import unimotus.formats.json.FileFault;
import unimotus.formats.json.Json;
import unimotus.formats.json.Schema;

/** Reads and writes {@code NAME.unimotus.json}. */
public final class ProjectFile {
  /** The end of every project file's name. */
  public static final String SUFFIX = ".unimotus.json";

  /** The version this program writes. */
  public static final int VERSION = 6;

  private static final String FORMAT = "unimotus-project";

  private ProjectFile() {}

  /**
   * A project as read.
   *
   * @param project the project
   * @param readOnly whether the file is of a newer version than this program knows, so that saving
   *     over it would lose what it does not know
   */
  public record Loaded(Project project, boolean readOnly) {}

  /**
   * Reads a project file.
   *
   * @throws FileFault naming file, line, place and what was expected
   * @throws IOException where the file is not there or cannot be read
   */
  public static Loaded load(Path file) throws IOException {
    if (!Files.exists(file)) {
      throw new NoSuchFileException(file + ": there is no such file");
    }
    Documents.checkSize(file.getFileName().toString(), Files.size(file));
    return read(file.getFileName().toString(), Files.readAllBytes(file));
  }

  /**
   * Reads a project from bytes.
   *
   * @param name the file's name, for messages
   * @throws FileFault naming file, line, place and what was expected
   */
  public static Loaded read(String name, byte[] bytes) throws FileFault {
    ObjectNode document = Documents.parse(name, bytes, FORMAT);
    JsonNode version = document.path("version");
    if (!version.isInt() || version.asInt() < 1) {
      throw new FileFault(name, 1, 1, "\"version\" must be a whole number from 1, not " + version);
    }
    if (version.asInt() > VERSION) {
      return new Loaded(readNewer(name, bytes, document, version.asInt()), true);
    }
    Migration.bringUpToDate(document, version.asInt());
    return new Loaded(
        Documents.bindChecked(name, bytes, document, Schema.PROJECT, Project.class), false);
  }

  /**
   * Reads a project that ships with the program. A test holds it against the schema, so that is not
   * done again at every start.
   */
  public static Project readShipped(String name, byte[] bytes) {
    try {
      ObjectNode document = Documents.parse(name, bytes, FORMAT);
      return Documents.bind(name, bytes, document, Json.strict(), Project.class);
    } catch (FileFault e) {
      throw new IllegalStateException("a shipped project is damaged", e);
    }
  }

  private static Project readNewer(String name, byte[] bytes, ObjectNode document, int version)
      throws FileFault {
    try {
      return Documents.bind(name, bytes, document, Json.lenient(), Project.class);
    } catch (FileFault e) {
      throw new FileFault(
          name,
          e.line(),
          e.column(),
          "version %d is newer than this program's %d and could not be read even in part: %s"
              .formatted(version, VERSION, e.problem()));
    }
  }

  /** The file's content for a project: UTF-8, sorted keys, a line a leaf. */
  public static byte[] write(Project project) {
    ObjectNode document = Json.strict().valueToTree(project);
    document.put("format", FORMAT);
    document.put("version", VERSION);
    try {
      return (Json.writer().writeValueAsString(Json.sorted(document)) + "\n")
          .getBytes(StandardCharsets.UTF_8);
    } catch (JsonProcessingException e) {
      throw new IllegalStateException("a project can always be written", e);
    }
  }

  /**
   * Saves a project: temporary file, forced to disk, previous version kept, renamed.
   *
   * @throws IOException where it cannot be written; the file before is then intact
   */
  public static void save(Path file, Project project) throws IOException {
    AtomicFile.write(file, previous(file), write(project));
    Files.deleteIfExists(recovery(file));
  }

  /** Where the version before the last save is kept. */
  public static Path previous(Path file) {
    return file.resolveSibling(file.getFileName() + ".previous");
  }

  /** Where unsaved work is kept while a project is open. */
  public static Path recovery(Path file) {
    return file.resolveSibling("." + file.getFileName() + ".recovery");
  }

  /**
   * Keeps unsaved work beside the file.
   *
   * @throws IOException where it cannot be written
   */
  public static void keepUnsaved(Path file, Project project) throws IOException {
    Path recovery = recovery(file);
    AtomicFile.write(
        recovery, recovery.resolveSibling(recovery.getFileName() + ".previous"), write(project));
    Files.deleteIfExists(recovery.resolveSibling(recovery.getFileName() + ".previous"));
  }

  /**
   * Unsaved work of an earlier session that is newer than the file; empty where there is none or it
   * is unreadable.
   */
  public static Optional<Unsaved> unsaved(Path file) {
    Path recovery = recovery(file);
    try {
      if (!Files.exists(recovery)) {
        return Optional.empty();
      }
      Project project = load(recovery).project();
      return Optional.of(new Unsaved(project, Files.getLastModifiedTime(recovery).toInstant()));
    } catch (IOException unreadable) {
      return Optional.empty();
    }
  }

  /**
   * Forgets kept unsaved work.
   *
   * @throws IOException where it cannot be removed
   */
  public static void forgetUnsaved(Path file) throws IOException {
    Files.deleteIfExists(recovery(file));
  }

  /**
   * Unsaved work of an earlier session.
   *
   * @param project the work
   * @param at when it was kept
   */
  public record Unsaved(Project project, Instant at) {}
}
