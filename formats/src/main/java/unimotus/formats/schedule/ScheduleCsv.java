package unimotus.formats.schedule;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import unimotus.core.schedule.ScheduleLine;
import unimotus.core.schedule.WireSchedule;
import unimotus.formats.csv.CsvTable;
import unimotus.formats.json.FileFault;

/** Wire schedules as CSV (RFC 4180). */
public final class ScheduleCsv {
  private ScheduleCsv() {}

  /**
   * Writes a schedule with a heading, comma as separator and point as decimal mark.
   *
   * @throws IOException where {@code out} does not take it
   */
  public static void write(WireSchedule schedule, Appendable out) throws IOException {
    String[] headings =
        Arrays.stream(ScheduleColumn.values()).map(ScheduleColumn::heading).toArray(String[]::new);
    try (CSVPrinter csv =
        new CSVPrinter(out, CSVFormat.RFC4180.builder().setHeader(headings).build())) {
      for (WireSchedule.Row row : schedule.rows()) {
        csv.printRecord(Arrays.stream(ScheduleColumn.values()).map(c -> c.content(row)).toList());
      }
    }
  }

  /**
   * Reads a schedule: UTF-8 with or without a byte order mark, separated by commas, semicolons or
   * tabs, with a heading line whose columns may stand in any order.
   *
   * @param name the file's name, for messages
   * @throws FileFault where it is no such table, naming line and column
   */
  public static List<ScheduleLine> read(String name, byte[] bytes) throws FileFault {
    return lines(name, CsvTable.read(name, bytes, "schedule").records());
  }

  private static List<ScheduleLine> lines(String name, List<CSVRecord> records) throws FileFault {
    Map<ScheduleColumn, Integer> columns = columns(name, records.get(0));
    List<ScheduleLine> lines = new ArrayList<>();
    for (int i = 1; i < records.size(); i++) {
      lines.add(line(i + 1, records.get(i), columns));
    }
    return lines;
  }

  private static Map<ScheduleColumn, Integer> columns(String name, CSVRecord heading)
      throws FileFault {
    Map<ScheduleColumn, Integer> columns = new EnumMap<>(ScheduleColumn.class);
    for (int i = 0; i < heading.size(); i++) {
      for (ScheduleColumn column : ScheduleColumn.values()) {
        if (column.isCalled(heading.get(i))) {
          columns.putIfAbsent(column, i);
        }
      }
    }
    for (ScheduleColumn column : ScheduleColumn.values()) {
      if (column.isNeeded() && !columns.containsKey(column)) {
        throw new FileFault(
            name,
            1,
            1,
            "the heading has no column '%s'; it has %s"
                .formatted(column.heading(), String.join(", ", heading.toList())));
      }
    }
    return columns;
  }

  private static ScheduleLine line(
      int number, CSVRecord cells, Map<ScheduleColumn, Integer> columns) {
    Map<ScheduleColumn, String> found = new EnumMap<>(ScheduleColumn.class);
    columns.forEach((c, i) -> found.put(c, i < cells.size() ? cells.get(i).strip() : ""));
    return new ScheduleLine(
        number,
        found.getOrDefault(ScheduleColumn.WIRE, ""),
        found.getOrDefault(ScheduleColumn.FROM_DEVICE, ""),
        found.getOrDefault(ScheduleColumn.FROM_TERMINAL, ""),
        found.getOrDefault(ScheduleColumn.TO_DEVICE, ""),
        found.getOrDefault(ScheduleColumn.TO_TERMINAL, ""),
        found.getOrDefault(ScheduleColumn.SIZE, ""),
        found.getOrDefault(ScheduleColumn.LENGTH, ""),
        found.getOrDefault(ScheduleColumn.COLOUR, ""),
        found.getOrDefault(ScheduleColumn.CABLE, ""),
        found.getOrDefault(ScheduleColumn.CORE, ""),
        found.getOrDefault(ScheduleColumn.SHIELD, ""),
        found.getOrDefault(ScheduleColumn.SIGNAL, ""));
  }
}
