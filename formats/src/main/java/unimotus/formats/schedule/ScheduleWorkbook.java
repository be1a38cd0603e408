package unimotus.formats.schedule;

import java.io.IOException;
import java.io.OutputStream;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import unimotus.core.schedule.WireSchedule;

/** Wire schedules as a workbook (Office Open XML, ISO/IEC 29500). */
public final class ScheduleWorkbook {
  private static final double WIDE = 22;
  private static final double NARROW = 13;

  private ScheduleWorkbook() {}

  /**
   * Writes a schedule as one sheet whose heading stays in view.
   *
   * @throws IOException where {@code out} does not take it
   */
  public static void write(WireSchedule schedule, OutputStream out) throws IOException {
    try (Workbook book = new Workbook(out, "Unimotus", "1.0")) {
      Worksheet sheet = book.newWorksheet("Wires");
      ScheduleColumn[] columns = ScheduleColumn.values();
      for (int c = 0; c < columns.length; c++) {
        sheet.value(0, c, columns[c].heading());
        sheet.width(c, columns[c].isNumber() ? NARROW : WIDE);
      }
      sheet.range(0, 0, 0, columns.length - 1).style().bold().set();
      sheet.freezePane(1, 1);
      for (int r = 0; r < schedule.rows().size(); r++) {
        for (int c = 0; c < columns.length; c++) {
          put(sheet, r + 1, c, columns[c], columns[c].content(schedule.rows().get(r)));
        }
      }
    }
  }

  private static void put(Worksheet sheet, int row, int column, ScheduleColumn kind, String text) {
    if (kind.isNumber() && !text.isEmpty() && !text.equals("floating")) {
      sheet.value(row, column, Double.parseDouble(text));
    } else {
      sheet.value(row, column, text);
    }
  }
}
