package unimotus.formats.project;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
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
  public static final int VERSION = 16;

  private static final String FORMAT = "unimotus-project";

  private ProjectFile() {}

  /**
   * A project as read.
   *
   * @param project the project
   * @param digest SHA-256 of the file, that tells later whether somebody else changed it
   * @param readOnly whether the file is of a newer version than this program knows, so that saving
   *     over it would lose what it does not know
   */
  public record Loaded(Project project, String digest, boolean readOnly) {}

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
      return new Loaded(readNewer(name, bytes, document, version.asInt()), digest(bytes), true);
    }
    Migration.bringUpToDate(document, version.asInt());
    return new Loaded(
        Documents.bindChecked(name, bytes, document, Schema.PROJECT, Project.class),
        digest(bytes),
        false);
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

  /** SHA-256 of a file's content, in hexadecimal digits. */
  public static String digest(byte[] bytes) {
    try {
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java platform has SHA-256", e);
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
   * @return the digest of what stands in the file now
   * @throws IOException where it cannot be written; the file before is then intact
   */
  public static String save(Path file, Project project) throws IOException {
    byte[] bytes = write(project);
    AtomicFile.write(file, previous(file), bytes);
    return digest(bytes);
  }

  /** Where the version before the last save is kept. */
  public static Path previous(Path file) {
    return file.resolveSibling(file.getFileName() + ".previous");
  }
}
