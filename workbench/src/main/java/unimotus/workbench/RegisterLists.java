package unimotus.workbench;

import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import unimotus.core.fieldbus.Notation;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.formats.fieldbus.MapCsv;

/** Register maps out to files and in from them. */
public final class RegisterLists {
  private RegisterLists() {}

  /**
   * Reads a map.
   *
   * @param notation how addresses are written; null to tell each by its looks
   * @throws IOException where it cannot be read or is no map
   */
  public static MapCsv.Read read(Path file, @Nullable Notation notation) throws IOException {
    return MapCsv.read(String.valueOf(file.getFileName()), Files.readAllBytes(file), notation);
  }

  /**
   * Writes a map.
   *
   * @throws IOException where it cannot be written
   */
  public static void write(Path file, RegisterMap map) throws IOException {
    try (BufferedWriter out = Files.newBufferedWriter(file, StandardCharsets.UTF_8)) {
      MapCsv.write(map, out);
    }
  }
}
