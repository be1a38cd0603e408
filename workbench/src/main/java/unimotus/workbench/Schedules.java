package unimotus.workbench;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import unimotus.core.machine.Project;
import unimotus.core.schedule.Placement;
import unimotus.core.schedule.WireSchedule;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.formats.schedule.ScheduleCsv;
import unimotus.formats.schedule.ScheduleWorkbook;

/** Wire schedules out to files and in from them. */
public final class Schedules {
  private static final long LARGEST_BYTES = 64L << 20;

  private Schedules() {}

  /**
   * Writes a schedule as the file's name says: {@code .xlsx} a workbook, {@code .csv} a table.
   *
   * @throws IllegalArgumentException where the name says neither
   * @throws IOException where it cannot be written
   */
  public static void write(WireSchedule schedule, Path file) throws IOException {
    String name = file.getFileName().toString();
    if (name.endsWith(".xlsx")) {
      try (OutputStream out = Files.newOutputStream(file)) {
        ScheduleWorkbook.write(schedule, out);
      }
    } else if (name.endsWith(".csv")) {
      try (BufferedWriter out = Files.newBufferedWriter(file, StandardCharsets.UTF_8)) {
        ScheduleCsv.write(schedule, out);
      }
    } else {
      throw new IllegalArgumentException(
          "'%s' must end in .csv or .xlsx for a wire schedule".formatted(name));
    }
  }

  /**
   * Reads a schedule and places its lines on the devices of a project.
   *
   * @throws unimotus.formats.json.FileFault where it is no such table
   * @throws IOException where it cannot be read
   */
  public static Placement read(Path file, Project project, SheetCatalogue sheets)
      throws IOException {
    String name = file.getFileName().toString();
    if (Files.size(file) > LARGEST_BYTES) {
      throw new IllegalArgumentException(
          "%s: %d MB is more than the %d MB a schedule may have"
              .formatted(name, Files.size(file) >> 20, LARGEST_BYTES >> 20));
    }
    return Placement.of(ScheduleCsv.read(name, Files.readAllBytes(file)), project, sheets);
  }
}
