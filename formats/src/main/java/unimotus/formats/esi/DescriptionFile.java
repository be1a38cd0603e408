package unimotus.formats.esi;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import unimotus.core.esi.DeviceDescription;
import unimotus.formats.json.FileFault;

/**
 * A description that was read. What is damaged is left out and told; the rest is kept.
 *
 * @param name the file's name
 * @param description what could be used
 * @param faults what could not, with line and column
 * @param unread elements that are nothing to this program, each once
 */
public record DescriptionFile(
    String name, DeviceDescription description, List<FileFault> faults, Set<String> unread) {

  /** Takes copies. */
  public DescriptionFile {
    faults = List.copyOf(faults);
    unread = java.util.Collections.unmodifiableSet(new TreeSet<>(unread));
  }

  /**
   * Reads a file.
   *
   * @throws IOException where it cannot be read at all; a damaged one can
   */
  public static DescriptionFile read(Path file) throws IOException {
    try (InputStream in = Files.newInputStream(file)) {
      return read(String.valueOf(file.getFileName()), in);
    }
  }

  /** Reads a stream that ends with the file. */
  public static DescriptionFile read(String name, InputStream in) {
    return new EsiReader(name).read(in);
  }

  /**
   * Reads a file, or every XML file of a folder by name.
   *
   * @throws IOException where one cannot be read at all
   */
  public static List<DescriptionFile> readAll(Path fileOrFolder) throws IOException {
    if (!Files.isDirectory(fileOrFolder)) {
      return List.of(read(fileOrFolder));
    }
    List<DescriptionFile> all = new ArrayList<>();
    try (Stream<Path> files = Files.list(fileOrFolder)) {
      for (Path file :
          files
              .filter(f -> f.toString().toLowerCase(java.util.Locale.ROOT).endsWith(".xml"))
              .sorted()
              .toList()) {
        all.add(read(file));
      }
    } catch (UncheckedIOException e) {
      throw e.getCause();
    }
    return all;
  }
}
