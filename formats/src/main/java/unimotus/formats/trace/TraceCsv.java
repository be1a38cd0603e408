package unimotus.formats.trace;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import unimotus.core.bench.Trace;

/** Traces as CSV (RFC 4180): a header with units, a row a sample, point as decimal mark. */
public final class TraceCsv {
  private TraceCsv() {}

  /**
   * Writes a trace.
   *
   * @param everySamples writes one sample of so many, at least 1
   * @throws IOException where {@code out} does not take it
   */
  public static void write(Trace trace, int everySamples, Appendable out) throws IOException {
    try (CSVPrinter csv =
        new CSVPrinter(out, CSVFormat.RFC4180.builder().setHeader(header()).build())) {
      for (int i = 0; i < trace.size(); i += Math.max(1, everySamples)) {
        csv.printRecord(row(trace, i));
      }
    }
  }

  private static String[] header() {
    List<String> names = new ArrayList<>(List.of("Time (s)"));
    for (Trace.Channel channel : Trace.Channel.values()) {
      names.add("%s (%s)".formatted(channel.label(), channel.unit()));
    }
    names.add("Status");
    return names.toArray(String[]::new);
  }

  private static List<String> row(Trace trace, int index) {
    List<String> cells = new ArrayList<>();
    cells.add(String.format(Locale.ROOT, "%.3f", trace.seconds(index)));
    for (Trace.Channel channel : Trace.Channel.values()) {
      cells.add(String.format(Locale.ROOT, "%.4f", trace.value(channel, index)));
    }
    cells.add(trace.status(index).label());
    return cells;
  }
}
