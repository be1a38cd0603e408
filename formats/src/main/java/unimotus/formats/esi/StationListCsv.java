package unimotus.formats.esi;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.apache.commons.csv.CSVRecord;
import unimotus.core.esi.DeviceDescription;
import unimotus.core.esi.EsiDevice;
import unimotus.core.processdata.ExpectedStation;
import unimotus.formats.csv.CsvTable;
import unimotus.formats.json.FileFault;

/**
 * The stations of a bus as CSV, in the order of the cable: {@code name,device,revision,alias}. The
 * device is named by its type; revision and alias are decimal, or hex behind 0x. A revision up to
 * 65535 means the upper half, in which revisions are counted by custom; the alias may be left out.
 */
public final class StationListCsv {
  private static final String HEADING = "name,device,revision,alias";
  private static final int LEAST_CELLS = 3;
  private static final int ALIAS = 3;

  private StationListCsv() {}

  /**
   * Reads a list.
   *
   * @param descriptions where the devices are described
   * @throws FileFault naming the line where something cannot be used
   */
  public static List<ExpectedStation> read(
      String name, byte[] bytes, List<DeviceDescription> descriptions) throws FileFault {
    CsvTable table = CsvTable.read(name, bytes, "list of stations");
    String heading = String.join(",", table.records().get(0)).toLowerCase(Locale.ROOT);
    if (!heading.equals(HEADING)) {
      throw new FileFault(
          name, 1, 1, "the heading is '%s'; expected %s".formatted(heading, HEADING));
    }
    List<ExpectedStation> stations = new ArrayList<>();
    for (CSVRecord record : table.records().subList(1, table.records().size())) {
      try {
        stations.add(station(record, descriptions));
      } catch (IllegalArgumentException refused) {
        throw new FileFault(
            name, (int) record.getRecordNumber(), 1, String.valueOf(refused.getMessage()));
      }
    }
    return stations;
  }

  private static ExpectedStation station(CSVRecord record, List<DeviceDescription> descriptions) {
    if (record.size() < LEAST_CELLS || record.get(0).isBlank()) {
      throw new IllegalArgumentException(
          "the line has %d cells; expected %s, with a name".formatted(record.size(), HEADING));
    }
    String type = record.get(1).strip();
    long wanted = number("revision", record.get(2), 0xFFFF_FFFFL);
    long revision = wanted <= 0xFFFF ? wanted << Short.SIZE : wanted;
    String alias = record.size() > ALIAS ? record.get(ALIAS).strip() : "";
    for (DeviceDescription each : descriptions) {
      for (EsiDevice device : each.ofType(type)) {
        return new ExpectedStation(
            record.get(0).strip(),
            each.vendorId(),
            device.productCode(),
            revision,
            alias.isEmpty() ? 0 : (int) number("alias", alias, 0xFFFF));
      }
    }
    throw new IllegalArgumentException("no description has a device '%s'".formatted(type));
  }

  private static long number(String what, String text, long most) {
    String word = text.strip().toLowerCase(Locale.ROOT);
    long number;
    try {
      number = word.startsWith("0x") ? Long.parseLong(word.substring(2), 16) : Long.parseLong(word);
    } catch (NumberFormatException none) {
      throw new IllegalArgumentException(
          "%s '%s'; expected a number such as 2 or 0x00020000".formatted(what, text.strip()));
    }
    if (number < 0 || number > most) {
      throw new IllegalArgumentException("%s %d is outside 0 to %d".formatted(what, number, most));
    }
    return number;
  }
}
