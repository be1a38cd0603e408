package unimotus.formats.fieldbus;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.jspecify.annotations.Nullable;
import unimotus.core.fieldbus.Notation;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.RegisterPlace;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.fieldbus.WordOrder;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityText;
import unimotus.core.value.Access;
import unimotus.core.value.DriveValue;
import unimotus.core.value.Limits;
import unimotus.core.value.Scaling;
import unimotus.core.value.ValueRole;
import unimotus.core.value.ValueType;
import unimotus.formats.csv.CsvTable;
import unimotus.formats.json.FileFault;

/** Register maps as CSV: a heading line whose columns may stand in any order. */
public final class MapCsv {

  private MapCsv() {}

  private enum Column {
    NAME,
    TABLE,
    ADDRESS,
    TYPE,
    ORDER,
    SCALE,
    OFFSET,
    UNIT,
    MINIMUM,
    MAXIMUM,
    ACCESS,
    GROUP,
    ROLE;

    private String heading() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  /**
   * What was read.
   *
   * @param map what could be taken
   * @param problems what could not, a line each
   */
  public record Read(RegisterMap map, List<String> problems) {}

  /**
   * Writes a map, addresses counted from 0.
   *
   * @throws IOException where {@code out} does not take it
   */
  public static void write(RegisterMap map, Appendable out) throws IOException {
    String[] headings = Arrays.stream(Column.values()).map(Column::heading).toArray(String[]::new);
    try (CSVPrinter csv =
        new CSVPrinter(out, CSVFormat.RFC4180.builder().setHeader(headings).build())) {
      for (RegisterEntry e : map.entries()) {
        csv.printRecord(
            e.name(),
            e.table().label(),
            address(e),
            e.type().label(),
            e.order(),
            e.scale(),
            e.offset(),
            e.unit(),
            e.minimum(),
            e.maximum(),
            e.access().label(),
            e.group(),
            e.role().label());
      }
    }
  }

  /**
   * The address counted from 0; as a hexadecimal number where its digits look like a reference such
   * as 40001.
   */
  private static String address(RegisterEntry entry) {
    String plain = Integer.toString(entry.address());
    return looks(entry.table(), plain) == Notation.FROM_ZERO
        ? plain
        : "0x%04X".formatted(entry.address());
  }

  /**
   * Reads a map. Name, table and address are needed; what else is missing is a plain readable
   * unsigned register.
   *
   * @param notation how addresses are written; null to tell each by its looks, plain numbers from 0
   * @throws FileFault where it is no such table
   */
  public static Read read(String name, byte[] bytes, @Nullable Notation notation) throws FileFault {
    CsvTable table = CsvTable.read(name, bytes, "register map");
    Map<Column, Integer> columns = columns(name, table.records().get(0));
    List<RegisterEntry> entries = new ArrayList<>();
    List<String> problems = new ArrayList<>();
    for (int i = 1; i < table.records().size(); i++) {
      Map<Column, String> cells = new EnumMap<>(Column.class);
      CSVRecord line = table.records().get(i);
      columns.forEach((c, at) -> cells.put(c, at < line.size() ? line.get(at).strip() : ""));
      try {
        entries.add(entry(cells, notation));
      } catch (IllegalArgumentException e) {
        problems.add("line %d: %s".formatted(i + 1, e.getMessage()));
      }
    }
    return new Read(new RegisterMap(entries), problems);
  }

  private static Map<Column, Integer> columns(String name, CSVRecord heading) throws FileFault {
    Map<Column, Integer> columns = new EnumMap<>(Column.class);
    for (int i = 0; i < heading.size(); i++) {
      for (Column column : Column.values()) {
        if (column.heading().equalsIgnoreCase(heading.get(i).strip())) {
          columns.putIfAbsent(column, i);
        }
      }
    }
    for (Column needed : List.of(Column.NAME, Column.TABLE, Column.ADDRESS)) {
      if (!columns.containsKey(needed)) {
        throw new FileFault(
            name,
            1,
            1,
            "the heading has no column '%s'; it has %s"
                .formatted(needed.heading(), String.join(", ", heading.toList())));
      }
    }
    return columns;
  }

  private static RegisterEntry entry(Map<Column, String> cells, @Nullable Notation notation) {
    RegisterTable table =
        word(
            "table",
            cells.getOrDefault(Column.TABLE, ""),
            RegisterTable.values(),
            RegisterTable::label,
            null);
    String address = cells.getOrDefault(Column.ADDRESS, "");
    ValueType type =
        word(
            "type",
            cells.getOrDefault(Column.TYPE, ""),
            ValueType.values(),
            ValueType::label,
            table.isBits() ? ValueType.BIT : ValueType.UNSIGNED_16);
    WordOrder order =
        word(
            "order",
            cells.getOrDefault(Column.ORDER, ""),
            WordOrder.values(),
            WordOrder::name,
            WordOrder.ABCD);
    Access access =
        word(
            "access",
            cells.getOrDefault(Column.ACCESS, ""),
            Access.values(),
            Access::label,
            Access.READ);
    double scale = number(cells, Column.SCALE, 1);
    double offset = number(cells, Column.OFFSET, 0);
    double a = type.least() * scale + offset;
    double b = type.most() * scale + offset;
    return new RegisterEntry(
        new DriveValue(
            cells.getOrDefault(Column.NAME, ""),
            word(
                "role",
                cells.getOrDefault(Column.ROLE, ""),
                ValueRole.values(),
                ValueRole::label,
                ValueRole.ofName(cells.getOrDefault(Column.NAME, ""))),
            type,
            new Scaling(scale, offset, cells.getOrDefault(Column.UNIT, "")),
            new Limits(
                number(cells, Column.MINIMUM, Math.min(a, b)),
                number(cells, Column.MAXIMUM, Math.max(a, b))),
            access),
        new RegisterPlace(
            table,
            (notation == null ? looks(table, address) : notation).read(table, address),
            order,
            cells.getOrDefault(Column.GROUP, "")));
  }

  /** Five or six digits that begin with the table's own are references; 0x is hexadecimal. */
  private static Notation looks(RegisterTable table, String address) {
    String plain = address.strip().toLowerCase(Locale.ROOT);
    if (plain.startsWith("0x") || plain.endsWith("h")) {
      return Notation.HEX;
    }
    boolean own = plain.startsWith(String.valueOf(table.prefix()));
    if (own && plain.length() == 6) {
      return Notation.SIX_DIGITS;
    }
    return own && plain.length() == 5 ? Notation.FIVE_DIGITS : Notation.FROM_ZERO;
  }

  private static <T> T word(
      String what,
      String text,
      T[] all,
      java.util.function.Function<T, String> words,
      @Nullable T usual) {
    if (text.isEmpty() && usual != null) {
      return usual;
    }
    String wanted = plain(text);
    return Arrays.stream(all)
        .filter(t -> plain(words.apply(t)).equals(wanted))
        .findFirst()
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "%s '%s' is not one of %s"
                        .formatted(
                            what,
                            text,
                            String.join(", ", Arrays.stream(all).map(words).toList()))));
  }

  /** Hyphens, underscores and case are nobody's business. */
  private static String plain(String word) {
    return word.toLowerCase(Locale.ROOT).replace('-', ' ').replace('_', ' ');
  }

  private static double number(Map<Column, String> cells, Column column, double usual) {
    String text = cells.getOrDefault(column, "");
    if (text.isEmpty()) {
      return usual;
    }
    return QuantityText.parseIn(column.heading(), text, MeasureUnit.ONE);
  }
}
