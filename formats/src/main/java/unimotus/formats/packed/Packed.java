package unimotus.formats.packed;

import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Values in their packed form. */
public final class Packed {
  private Packed() {}

  /**
   * Writes a value: records, lists, maps, enums, texts, numbers and null, in any depth.
   *
   * @throws IllegalArgumentException naming the class of what cannot be packed
   * @throws IOException where the file cannot be written
   */
  public static void write(Object value, Path file) throws IOException {
    Files.createDirectories(file.toAbsolutePath().getParent());
    try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file))) {
      new PackedWriter(out).write(value);
    }
  }

  /**
   * Reads the packed form that ships beside a resource; empty where the build has not made it, as
   * while it is being made.
   *
   * @throws IllegalStateException where it was made for other classes
   */
  public static Optional<Object> shipped(Class<?> beside, String resource) {
    try (@Nullable InputStream in = beside.getResourceAsStream(resource)) {
      return in == null
          ? Optional.empty()
          : Optional.ofNullable(new PackedReader(new BufferedInputStream(in, 1 << 16)).read());
    } catch (IOException e) {
      throw new IllegalStateException(resource + ": " + e.getMessage(), e);
    }
  }
}
