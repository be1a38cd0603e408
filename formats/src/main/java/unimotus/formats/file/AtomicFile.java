package unimotus.formats.file;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;

/**
 * Replaces a file so that at every moment either the old or the new version is there, whole.
 *
 * <p>Write to a temporary file beside it, force it to the disk, keep the old version under another
 * name, rename.
 */
public final class AtomicFile {
  private AtomicFile() {}

  /**
   * Writes {@code bytes} to {@code target}.
   *
   * @param previous where the version before is kept; not touched where there was none
   * @throws IOException where the disk or the rights do not allow it; the old file is then intact
   */
  public static void write(Path target, Path previous, byte[] bytes) throws IOException {
    Path temporary = beside(target, ".writing");
    try {
      forced(temporary, bytes);
      if (Files.exists(target)) {
        keep(target, previous);
      }
      Files.move(temporary, target, StandardCopyOption.ATOMIC_MOVE);
      forceFolder(target);
    } finally {
      Files.deleteIfExists(temporary);
    }
  }

  private static void forced(Path file, byte[] bytes) throws IOException {
    try (FileChannel channel =
        FileChannel.open(
            file,
            StandardOpenOption.CREATE,
            StandardOpenOption.TRUNCATE_EXISTING,
            StandardOpenOption.WRITE)) {
      ByteBuffer buffer = ByteBuffer.wrap(bytes);
      while (buffer.hasRemaining()) {
        channel.write(buffer);
      }
      channel.force(true);
    }
  }

  private static void keep(Path target, Path previous) throws IOException {
    Path copy = beside(previous, ".writing");
    Files.copy(target, copy, StandardCopyOption.REPLACE_EXISTING);
    Files.move(copy, previous, StandardCopyOption.ATOMIC_MOVE);
  }

  /** The rename itself is on the disk only when its folder is. */
  private static void forceFolder(Path target) {
    Path folder = target.toAbsolutePath().getParent();
    try (FileChannel channel = FileChannel.open(folder, StandardOpenOption.READ)) {
      channel.force(true);
    } catch (IOException notOnThisSystem) {
      // Some systems cannot open a folder; the file's own content has been forced already.
    }
  }

  private static Path beside(Path file, String suffix) {
    return file.resolveSibling(file.getFileName() + suffix);
  }
}
