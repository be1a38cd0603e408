package unimotus.formats.csv;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import unimotus.formats.json.FileFault;

/**
 * A table from elsewhere: UTF-8 with or without a byte order mark, separated by commas, semicolons
 * or tabs.
 *
 * @param records the lines, the heading first; at least one
 * @param separator what separates the cells
 */
public record CsvTable(List<CSVRecord> records, char separator) {
  private static final char BYTE_ORDER_MARK = '\uFEFF';
  private static final List<Character> SEPARATORS = List.of(',', ';', '\t');

  /** Takes a copy. */
  public CsvTable {
    records = List.copyOf(records);
  }

  /**
   * Reads a table.
   *
   * @param name the file's name, for messages
   * @param what what the table is, for messages
   * @throws FileFault where it is empty or no table
   */
  public static CsvTable read(String name, byte[] bytes, String what) throws FileFault {
    String text = new String(bytes, StandardCharsets.UTF_8);
    if (!text.isEmpty() && text.charAt(0) == BYTE_ORDER_MARK) {
      text = text.substring(1);
    }
    if (text.isBlank()) {
      throw new FileFault(
          name, 1, 1, "the %s is empty; a heading line is expected".formatted(what));
    }
    char separator = separator(text);
    CSVFormat format =
        CSVFormat.RFC4180.builder().setDelimiter(separator).setIgnoreEmptyLines(true).build();
    try (CSVParser parser = format.parse(new StringReader(text))) {
      return new CsvTable(parser.getRecords(), separator);
    } catch (IOException | UncheckedIOException e) {
      throw new FileFault(name, 1, 1, "not readable as CSV: " + e.getMessage());
    }
  }

  /** The separator the heading line has most of. */
  private static char separator(String text) {
    String heading = text.lines().findFirst().orElse("");
    char best = SEPARATORS.get(0);
    for (char candidate : SEPARATORS) {
      if (count(heading, candidate) > count(heading, best)) {
        best = candidate;
      }
    }
    return best;
  }

  private static long count(String text, char wanted) {
    return text.chars().filter(c -> c == wanted).count();
  }
}
