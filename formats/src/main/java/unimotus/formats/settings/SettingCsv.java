package unimotus.formats.settings;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityText;
import unimotus.core.settings.DerivedSetting;
import unimotus.core.settings.EntryStep;
import unimotus.core.settings.Journey;
import unimotus.core.settings.SettingText;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.NumberSetting;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingValue;
import unimotus.formats.csv.CsvTable;
import unimotus.formats.json.FileFault;

/** Settings of a drive as CSV: code, name, value, unit. */
public final class SettingCsv {
  private static final String[] HEADINGS = {"code", "name", "value", "unit"};

  private SettingCsv() {}

  /**
   * What was read.
   *
   * @param values what could be taken, by code, in the order of the file
   * @param problems what could not, and what was assumed; a line each
   */
  public record Read(Map<String, SettingValue> values, List<String> problems) {}

  /**
   * Writes settings in menu order, comma as separator and point as decimal mark.
   *
   * @throws IOException where {@code out} does not take it
   */
  public static void write(DriveSheet sheet, Map<String, SettingValue> values, Appendable out)
      throws IOException {
    try (CSVPrinter csv =
        new CSVPrinter(out, CSVFormat.RFC4180.builder().setHeader(HEADINGS).build())) {
      for (SettingDefinition setting : sheet.settings()) {
        SettingValue value = values.get(setting.code());
        if (value != null) {
          csv.printRecord(setting.code(), setting.name(), plain(value), unit(setting));
        }
      }
    }
  }

  /**
   * Writes an entry sheet: number, keys, code, name, old and new value, what follows from the plate
   * and the design where the new value contradicts it, why, and the guarded procedure where one is
   * needed.
   *
   * @throws IOException where {@code out} does not take it
   */
  public static void write(Journey journey, Appendable out) throws IOException {
    String[] headings = {
      "number", "keys", "code", "name", "shows", "enter", "contradicts", "twice", "why", "procedure"
    };
    try (CSVPrinter csv =
        new CSVPrinter(out, CSVFormat.RFC4180.builder().setHeader(headings).build())) {
      for (EntryStep step : journey.entry().steps()) {
        csv.printRecord(
            step.number(),
            step.keys(),
            step.setting().code(),
            step.setting().name(),
            shows(step),
            SettingText.shown(step.setting(), step.value()),
            journey.contradiction(step).map(SettingCsv::follows).orElse(""),
            step.twice() ? "twice" : "",
            step.why(),
            step.procedure());
      }
    }
  }

  private static String follows(DerivedSetting derived) {
    return "%s follows".formatted(SettingText.shown(derived.setting(), derived.value()));
  }

  private static String shows(EntryStep step) {
    SettingValue was = step.was();
    return was == null ? "not read" : SettingText.shown(step.setting(), was);
  }

  private static String plain(SettingValue value) {
    return value instanceof SettingValue.Number n
        ? Double.toString(n.value())
        : ((SettingValue.Choice) value).value();
  }

  private static String unit(SettingDefinition setting) {
    return setting instanceof NumberSetting number ? number.unit().symbol() : "";
  }

  /**
   * Reads settings; columns may stand in any order. A line that cannot be taken is reported and
   * passed over.
   *
   * @param name the file's name, for messages
   * @throws FileFault where it is no such table
   */
  public static Read read(String name, byte[] bytes, DriveSheet sheet) throws FileFault {
    CsvTable table = CsvTable.read(name, bytes, "list of settings");
    CSVRecord heading = table.records().get(0);
    int code = column(name, heading, "code", true);
    int value = column(name, heading, "value", true);
    int unit = column(name, heading, "unit", false);
    Map<String, SettingDefinition> known = new LinkedHashMap<>();
    sheet.settings().forEach(s -> known.put(s.code(), s));
    Read read = new Read(new LinkedHashMap<>(), new ArrayList<>());
    if (unit < 0) {
      read.problems().add("there is no column 'unit': the units of the sheet are taken");
    }
    for (int i = 1; i < table.records().size(); i++) {
      CSVRecord line = table.records().get(i);
      String at = "line %d: ".formatted(i + 1);
      Line found = new Line(at, cell(line, code), cell(line, value), cell(line, unit));
      found.into(read, known, unit >= 0, sheet.name());
    }
    return read;
  }

  private static int column(String name, CSVRecord heading, String wanted, boolean needed)
      throws FileFault {
    for (int i = 0; i < heading.size(); i++) {
      if (heading.get(i).strip().equalsIgnoreCase(wanted)) {
        return i;
      }
    }
    if (needed) {
      throw new FileFault(
          name,
          1,
          1,
          "the heading has no column '%s'; it has %s"
              .formatted(wanted, String.join(", ", heading.toList())));
    }
    return -1;
  }

  private static String cell(CSVRecord line, int column) {
    return column < 0 || column >= line.size() ? "" : line.get(column).strip();
  }

  /** One line and how it is taken. */
  private record Line(String at, String code, String value, String unit) {

    void into(Read read, Map<String, SettingDefinition> known, boolean units, String drive) {
      SettingDefinition setting = known.get(code);
      if (setting == null) {
        read.problems().add(at + "'%s' is not a setting of %s".formatted(code, drive));
        return;
      }
      if (read.values().containsKey(code)) {
        read.problems().add(at + code + " is there twice; the first is used");
        return;
      }
      try {
        SettingValue taken = taken(setting, read.problems(), units);
        if (!setting.takes(taken)) {
          throw new IllegalArgumentException(
              "%s is %s; the drive takes %s"
                  .formatted(code, SettingText.of(setting, taken), setting.rangeText()));
        }
        read.values().put(code, taken);
      } catch (IllegalArgumentException e) {
        read.problems().add(at + e.getMessage());
      }
    }

    private SettingValue taken(
        SettingDefinition setting, List<String> problems, boolean unitsExpected) {
      if (setting instanceof ChoiceSetting choice) {
        return option(choice)
            .map(o -> (SettingValue) new SettingValue.Choice(o.value()))
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "%s is '%s'; the drive takes %s"
                            .formatted(code, value, setting.rangeText())));
      }
      NumberSetting number = (NumberSetting) setting;
      // Spaces within a number are thousands marks that nobody mistakes.
      String plain = value.replace("\u00a0", "").replace(" ", "");
      if (unit.isEmpty() && unitsExpected && number.unit() != MeasureUnit.ONE) {
        problems.add(at + "%s has no unit; %s taken".formatted(code, number.unit().symbol()));
      }
      MeasureUnit meant = unit.isEmpty() ? number.unit() : given();
      return new SettingValue.Number(QuantityText.parse(code, plain, meant).in(number.unit()));
    }

    private MeasureUnit given() {
      return MeasureUnit.ofSymbol(unit)
          .orElseThrow(
              () ->
                  new IllegalArgumentException(
                      "%s has the unknown unit '%s'".formatted(code, unit)));
    }

    private Optional<ChoiceSetting.Option> option(ChoiceSetting choice) {
      String wanted = value.toLowerCase(Locale.ROOT);
      return choice.options().stream()
          .filter(o -> o.value().equalsIgnoreCase(wanted))
          .findFirst()
          .or(
              () ->
                  choice.options().stream()
                      .filter(o -> o.shown().equalsIgnoreCase(wanted))
                      .findFirst());
    }
  }
}
