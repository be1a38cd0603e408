package unimotus.formats.proof;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Reading;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Verdict;
import unimotus.core.quantity.QuantityFormat;
import unimotus.formats.csv.CsvTable;
import unimotus.formats.json.FileFault;

/**
 * What is to be seen of an axis as a table with room for what was measured: a line a prediction,
 * the column {@code measured} blank where there is no reading yet, or one of a design that has
 * changed.
 */
public final class ReadingCsv {
  private static final String KEY = "key";
  private static final String MEASURED = "measured";
  private static final String UNIT = "unit";
  private static final String INSTRUMENT = "instrument";
  private static final String NOTE = "note";
  private static final String PHOTO = "photo";
  private static final String[] HEADINGS = {
    KEY, "place", INSTRUMENT, "what to do", "what to read", "expected", MEASURED, UNIT, NOTE, PHOTO
  };

  private ReadingCsv() {}

  /**
   * A line that somebody filled in.
   *
   * @param number of the line in the file, from 1
   * @param key of the prediction
   * @param measured what was entered, a number or a word; blank where only something is written
   *     beside
   * @param unit the unit it was entered in; empty where none stands there
   * @param instrument what it was measured with; empty where nothing stands there
   * @param note what was written beside; empty for nothing
   * @param photo path of a picture; empty for none
   */
  public record Line(
      int number,
      String key,
      String measured,
      String unit,
      String instrument,
      String note,
      String photo) {

    /** What was entered with its unit, as it would be typed. */
    public String typed() {
      boolean bare = measured.matches("[-+]?[0-9.,]+([eE][-+]?[0-9]+)?");
      return bare && !unit.isEmpty() ? measured + " " + unit : measured;
    }
  }

  /**
   * Writes a list, comma as separator and point as decimal mark.
   *
   * @throws IOException where {@code out} does not take it
   */
  public static void write(List<Verdict> verdicts, Appendable out) throws IOException {
    try (CSVPrinter csv =
        new CSVPrinter(out, CSVFormat.RFC4180.builder().setHeader(HEADINGS).build())) {
      for (Verdict verdict : verdicts) {
        Prediction prediction = verdict.prediction();
        csv.printRecord(
            prediction.key(),
            prediction.where(),
            prediction.instrument(),
            prediction.how(),
            "%s: %s".formatted(prediction.group(), prediction.title()),
            prediction.expectation().text(QuantityFormat.PLAIN),
            verdict.changed().isEmpty() ? text(verdict.reading()) : "",
            prediction.expectation() instanceof Expectation.Amount a ? a.unit().symbol() : "",
            beside(verdict, Reading::note),
            beside(verdict, Reading::photo));
      }
    }
  }

  private static String beside(Verdict verdict, Function<Reading, @Nullable String> what) {
    Reading reading = verdict.reading();
    String words = reading == null || !verdict.changed().isEmpty() ? null : what.apply(reading);
    return words == null ? "" : words;
  }

  /** A reading as it stands in the list; empty for none. */
  public static String text(@Nullable Reading reading) {
    if (reading == null) {
      return "";
    }
    Double amount = reading.amount();
    return amount == null ? String.valueOf(reading.word()) : Double.toString(amount);
  }

  /**
   * Reads the lines that were filled in; columns may stand in any order.
   *
   * @param name the file's name, for messages
   * @throws FileFault where it is no such table
   */
  public static List<Line> read(String name, byte[] bytes) throws FileFault {
    CsvTable table = CsvTable.read(name, bytes, "list of readings");
    CSVRecord heading = table.records().get(0);
    int key = needed(name, heading, KEY);
    int measured = needed(name, heading, MEASURED);
    int unit = column(heading, UNIT);
    int instrument = column(heading, INSTRUMENT);
    int note = column(heading, NOTE);
    int photo = column(heading, PHOTO);
    List<Line> lines = new ArrayList<>();
    for (int i = 1; i < table.records().size(); i++) {
      CSVRecord line = table.records().get(i);
      if (!(cell(line, measured) + cell(line, note) + cell(line, photo)).isEmpty()) {
        lines.add(
            new Line(
                i + 1,
                cell(line, key),
                cell(line, measured),
                cell(line, unit),
                cell(line, instrument),
                cell(line, note),
                cell(line, photo)));
      }
    }
    return lines;
  }

  private static int needed(String name, CSVRecord heading, String wanted) throws FileFault {
    int at = column(heading, wanted);
    if (at < 0) {
      throw new FileFault(
          name,
          1,
          1,
          "the heading has no column '%s'; it has %s"
              .formatted(wanted, String.join(", ", heading.toList())));
    }
    return at;
  }

  private static int column(CSVRecord heading, String wanted) {
    for (int i = 0; i < heading.size(); i++) {
      if (heading.get(i).strip().equalsIgnoreCase(wanted)) {
        return i;
      }
    }
    return -1;
  }

  private static String cell(CSVRecord line, int column) {
    return column >= 0 && column < line.size() ? line.get(column).strip() : "";
  }
}
