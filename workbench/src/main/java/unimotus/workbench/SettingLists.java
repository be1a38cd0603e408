package unimotus.workbench;

import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import unimotus.core.settings.Journey;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingValue;
import unimotus.formats.settings.SettingCsv;

/** Lists of settings out to files and in from them. */
public final class SettingLists {
  private SettingLists() {}

  /**
   * Reads a list.
   *
   * @throws IOException where it cannot be read or is no list
   */
  public static SettingCsv.Read read(Path file, DriveSheet sheet) throws IOException {
    return SettingCsv.read(String.valueOf(file.getFileName()), Files.readAllBytes(file), sheet);
  }

  /**
   * Writes a list.
   *
   * @throws IOException where it cannot be written
   */
  public static void write(Path file, DriveSheet sheet, Map<String, SettingValue> values)
      throws IOException {
    try (BufferedWriter out = Files.newBufferedWriter(file, StandardCharsets.UTF_8)) {
      SettingCsv.write(sheet, values, out);
    }
  }

  /**
   * Writes an entry sheet.
   *
   * @throws IOException where it cannot be written
   */
  public static void write(Path file, Journey journey) throws IOException {
    try (BufferedWriter out = Files.newBufferedWriter(file, StandardCharsets.UTF_8)) {
      SettingCsv.write(journey, out);
    }
  }
}
