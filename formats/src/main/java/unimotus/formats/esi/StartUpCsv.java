package unimotus.formats.esi;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.apache.commons.csv.CSVRecord;
import unimotus.core.esi.StartUpCommand;
import unimotus.formats.csv.CsvTable;
import unimotus.formats.json.FileFault;

/**
 * A start-up list as CSV: {@code transition,index,subindex,value,bytes,comment}. Index and value
 * are decimal, or hex behind 0x; a value may be below 0.
 */
public final class StartUpCsv {
  private static final String HEADING = "transition,index,subindex,value,bytes,comment";
  private static final int LEAST_CELLS = 5;
  private static final int COMMENT = 5;

  private StartUpCsv() {}

  /**
   * Reads a list.
   *
   * @throws FileFault naming the line where something cannot be used
   */
  public static List<StartUpCommand> read(String name, byte[] bytes) throws FileFault {
    CsvTable table = CsvTable.read(name, bytes, "start-up list");
    String heading = String.join(",", table.records().get(0)).toLowerCase(Locale.ROOT);
    if (!heading.equals(HEADING)) {
      throw new FileFault(
          name, 1, 1, "the heading is '%s'; expected %s".formatted(heading, HEADING));
    }
    List<StartUpCommand> commands = new ArrayList<>();
    for (CSVRecord record : table.records().subList(1, table.records().size())) {
      commands.add(command(name, record));
    }
    return commands;
  }

  private static StartUpCommand command(String file, CSVRecord record) throws FileFault {
    int line = (int) record.getRecordNumber();
    if (record.size() < LEAST_CELLS) {
      throw new FileFault(
          file, line, 1, "the line has %d cells; expected %s".formatted(record.size(), HEADING));
    }
    try {
      int bytes = Math.toIntExact(number("bytes", record.get(4)));
      if (bytes < 1 || bytes > Long.BYTES) {
        throw new IllegalArgumentException("bytes %d; expected 1 to 8".formatted(bytes));
      }
      return StartUpCommand.number(
          record.get(0).strip().toUpperCase(Locale.ROOT),
          within("index", number("index", record.get(1)), 0xFFFF),
          within("subindex", number("subindex", record.get(2)), 0xFF),
          fitting(number("value", record.get(3)), bytes),
          bytes,
          record.size() > COMMENT ? record.get(COMMENT).strip() : "");
    } catch (IllegalArgumentException | ArithmeticException refused) {
      throw new FileFault(file, line, 1, String.valueOf(refused.getMessage()));
    }
  }

  private static int within(String what, long number, int most) {
    if (number < 0 || number > most) {
      throw new IllegalArgumentException("%s %d is outside 0 to %d".formatted(what, number, most));
    }
    return (int) number;
  }

  /** A value that would be cut off is not the value that was meant. */
  private static long fitting(long value, int bytes) {
    int bits = Byte.SIZE * bytes;
    if (bits < Long.SIZE && (value >= 1L << bits || value < -(1L << bits - 1))) {
      throw new IllegalArgumentException(
          "value %d does not fit into %d bytes".formatted(value, bytes));
    }
    return value;
  }

  private static long number(String what, String text) {
    String word = text.strip().toLowerCase(Locale.ROOT);
    try {
      return word.startsWith("0x") ? Long.parseLong(word.substring(2), 16) : Long.parseLong(word);
    } catch (NumberFormatException none) {
      throw new IllegalArgumentException(
          "%s '%s'; expected a number such as 24640 or 0x6040".formatted(what, text.strip()));
    }
  }
}
