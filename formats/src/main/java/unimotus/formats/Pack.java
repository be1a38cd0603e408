package unimotus.formats;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import unimotus.formats.packed.Packed;
import unimotus.formats.project.ProjectFile;
import unimotus.formats.sheet.SheetLibrary;

/** Run by the build: makes the packed forms of what ships. */
public final class Pack {
  private Pack() {}

  /**
   * Packs.
   *
   * @param arguments {@code sheets OUT} or {@code project IN OUT}
   * @throws IOException where a file cannot be read or written
   */
  public static void main(String[] arguments) throws IOException {
    if (arguments[0].equals("sheets")) {
      Packed.write(SheetLibrary.bound(), Path.of(arguments[1]));
    } else {
      Path file = Path.of(arguments[1]);
      Packed.write(
          ProjectFile.readShipped(String.valueOf(file.getFileName()), Files.readAllBytes(file)),
          Path.of(arguments[2]));
    }
  }
}
