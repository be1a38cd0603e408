package unimotus.formats.trace;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.apache.commons.csv.CSVRecord;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.servo.RecordedMotion;
import unimotus.formats.csv.CsvTable;
import unimotus.formats.json.FileFault;

/**
 * A recorded position as CSV: a column that begins with "Time" and one that begins with "Position",
 * "Actual position" or "Load", each with its unit in brackets. Other columns are left alone.
 */
public final class MotionCsv {
  private static final String WHAT = "recording";
  private static final List<String> POSITIONS = List.of("position", "actual position", "load");

  private MotionCsv() {}

  /**
   * Reads a recording into the unit of an axis.
   *
   * @param name the file's name, for messages
   * @throws FileFault where it is none, naming line and column
   */
  public static RecordedMotion read(String name, byte[] bytes, MeasureUnit unit) throws FileFault {
    CsvTable table = CsvTable.read(name, bytes, WHAT);
    CSVRecord heading = table.records().get(0);
    Column time = Column.of(name, heading, List.of("time"), MeasureUnit.SECOND_UNIT);
    Column place = Column.of(name, heading, POSITIONS, unit);
    List<CSVRecord> rows = table.records().subList(1, table.records().size());
    double[] seconds = new double[rows.size()];
    double[] position = new double[rows.size()];
    boolean comma = table.separator() != ',';
    for (int i = 0; i < rows.size(); i++) {
      seconds[i] = time.value(name, rows.get(i), comma);
      position[i] = place.value(name, rows.get(i), comma);
    }
    try {
      return new RecordedMotion(seconds, position);
    } catch (IllegalArgumentException unfit) {
      throw new FileFault(name, 2, 1, String.valueOf(unfit.getMessage()));
    }
  }

  /** Where something stands, and what one of it is. */
  private record Column(int at, String heading, double factor) {
    static Column of(String name, CSVRecord heading, List<String> begins, MeasureUnit unit)
        throws FileFault {
      for (int i = 0; i < heading.size(); i++) {
        String text = heading.get(i).strip();
        if (begins.stream().anyMatch(text.toLowerCase(Locale.ROOT)::startsWith)) {
          return new Column(i, text, factor(name, text, i, unit));
        }
      }
      throw new FileFault(
          name,
          1,
          1,
          "no column begins with '%s'; found: %s"
              .formatted(String.join("' or '", begins), String.join(", ", heading.toList())));
    }

    private static double factor(String name, String text, int at, MeasureUnit unit)
        throws FileFault {
      int open = text.indexOf('(');
      int close = text.lastIndexOf(')');
      String symbol = open < 0 || close < open ? "" : text.substring(open + 1, close).strip();
      Optional<MeasureUnit> stated = MeasureUnit.ofSymbol(symbol);
      if (symbol.isEmpty() || stated.isEmpty() || stated.get().dimension() != unit.dimension()) {
        throw new FileFault(
            name,
            1,
            at + 1,
            "column '%s' has to state its unit in brackets, such as (%s)"
                .formatted(text, unit.symbol()));
      }
      return stated.get().convert(1, unit);
    }

    double value(String name, CSVRecord row, boolean comma) throws FileFault {
      String cell = at < row.size() ? row.get(at).strip() : "";
      try {
        return Double.parseDouble(comma ? cell.replace(',', '.') : cell) * factor;
      } catch (NumberFormatException none) {
        throw new FileFault(
            name,
            (int) row.getRecordNumber(),
            at + 1,
            "'%s' under '%s' is no number".formatted(cell, heading));
      }
    }
  }
}
