package unimotus.core;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.AddressCounting;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.ControllerSheet;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveKind;
import unimotus.core.sheet.DriveRatings;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.Menu;
import unimotus.core.sheet.MotorKind;
import unimotus.core.sheet.NumberSetting;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.PowerData;
import unimotus.core.sheet.PresetInputs;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingRule;
import unimotus.core.sheet.SettingValue;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/**
 * Devices to build lines and panels of: classes like those that ship, as a plain table beside the
 * tests, so that core needs no file format to be tested.
 */
public final class FixtureSheets {
  private static final SheetCatalogue CATALOGUE = read();

  private final List<DeviceSheet> sheets = new ArrayList<>();
  private final List<Terminal> terminals = new ArrayList<>();
  private final List<Selector> selectors = new ArrayList<>();
  private final List<SettingDefinition> settings = new ArrayList<>();
  private String[] head = {};
  private final List<SettingRule> rules = new ArrayList<>();
  private PowerData power;
  private Menu menu;
  private PresetInputs presets;

  private FixtureSheets() {}

  /** All of them. */
  public static SheetCatalogue catalogue() {
    return CATALOGUE;
  }

  private static SheetCatalogue read() {
    FixtureSheets all = new FixtureSheets();
    try (BufferedReader in =
        new BufferedReader(
            new InputStreamReader(
                FixtureSheets.class.getResourceAsStream("sheets.txt"), StandardCharsets.UTF_8))) {
      in.lines().filter(l -> !l.startsWith("#")).forEach(all::line);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    all.finish();
    return new SheetCatalogue(all.sheets);
  }

  private void line(String text) {
    String[] cells = Arrays.stream(text.split("\\|", -1)).map(String::strip).toArray(String[]::new);
    switch (cells[0]) {
      case "t" -> terminals.add(terminal(cells));
      case "s" -> selectors.add(selector(cells));
      case "n" -> settings.add(number(cells));
      case "c" -> settings.add(choice(cells));
      case "power" -> power = power(cells);
      case "menu" -> menu = menu(cells);
      case "presets" ->
          presets =
              new PresetInputs(
                  PresetInputs.Counting.valueOf(constant(cells[1])),
                  PresetInputs.Priority.valueOf(constant(cells[2])));
      case "rewrites" -> rules.add(rewrites(cells));
      case "resets" ->
          rules.add(new SettingRule.Resets(cells[1], cells[2], cells[3].equals("keeps-link")));
      case "locked" -> rules.add(new SettingRule.Locked(options(cells[3]), cells[1], cells[2]));
      case "confirmed" -> rules.add(new SettingRule.Confirmed(options(cells[2]), at(cells, 1)));
      case "at-standstill" -> rules.add(new SettingRule.AtStandstill(options(cells[1])));
      case "spoils-tuning" -> rules.add(new SettingRule.SpoilsTuning(options(cells[1])));
      case "of-the-link" -> rules.add(new SettingRule.OfTheLink(options(cells[1])));
      default -> {
        finish();
        head = cells;
      }
    }
  }

  private void finish() {
    if (head.length > 0) {
      sheets.add(
          switch (head[0]) {
            case "controller" ->
                new ControllerSheet(
                    head[1],
                    head[2],
                    terminals,
                    selectors,
                    Integer.parseInt(head[3]),
                    head.length > 4 ? AddressCounting.valueOf(head[4]) : null);
            case "part" -> new PartSheet(head[1], head[2], terminals, selectors, options(head[3]));
            default -> drive();
          });
    }
    terminals.clear();
    selectors.clear();
    settings.clear();
    rules.clear();
    power = null;
    menu = null;
    presets = null;
  }

  private DriveSheet drive() {
    DriveRatings ratings =
        new DriveRatings(at(head, 4), at(head, 5), at(head, 6), at(head, 7), at(head, 8));
    return new DriveSheet(
        head[1],
        head[2],
        new DriveKind.Frequency(List.of(MotorKind.INDUCTION)),
        terminals,
        selectors,
        Integer.parseInt(head[3]),
        ratings,
        settings,
        menu,
        rules,
        power,
        null,
        null,
        null,
        presets);
  }

  private static Terminal terminal(String[] cells) {
    Map<String, Double> figures = new TreeMap<>();
    for (String figure : words(cells[4])) {
      int equals = figure.indexOf('=');
      figures.put(figure.substring(0, equals), Double.valueOf(figure.substring(equals + 1)));
    }
    return new Terminal(
        cells[1],
        cells[6],
        TerminalRole.valueOf(constant(cells[2])),
        orNull(cells[3]),
        figures,
        options(cells[5]));
  }

  private static Selector selector(String[] cells) {
    List<String> options = options(cells[4]);
    return new Selector(
        cells[1],
        cells[5],
        SelectorRole.valueOf(constant(cells[2])),
        orNull(cells[3]),
        options,
        options.get(0));
  }

  private static NumberSetting number(String[] cells) {
    return new NumberSetting(
        cells[1],
        cells[9],
        cells[8],
        role(cells[2]),
        orNull(cells[3]),
        MeasureUnit.ofSymbol(cells[4]).orElseThrow(),
        at(cells, 5),
        at(cells, 6),
        at(cells, 7),
        cells.length > 10 ? Integer.valueOf(cells[10]) : null);
  }

  private static ChoiceSetting choice(String[] cells) {
    List<String> options = options(cells[4]);
    return new ChoiceSetting(
        cells[1],
        cells[6],
        cells[5],
        role(cells[2]),
        orNull(cells[3]),
        options.stream().map(o -> new ChoiceSetting.Option(o, o)).toList(),
        options.get(0));
  }

  private SettingRule rewrites(String[] cells) {
    Map<String, SettingValue> sets = new TreeMap<>();
    for (String set : options(cells[3])) {
      int equals = set.indexOf('=');
      String code = set.substring(0, equals);
      String value = set.substring(equals + 1);
      boolean number =
          settings.stream().anyMatch(d -> d.code().equals(code) && d instanceof NumberSetting);
      sets.put(
          code,
          number
              ? new SettingValue.Number(Double.parseDouble(value))
              : new SettingValue.Choice(value));
    }
    return new SettingRule.Rewrites(cells[1], orNull(cells[2]), sets);
  }

  private static Menu menu(String[] cells) {
    return new Menu(Menu.Style.valueOf(constant(cells[1])), cells[2], cells[3], cells[4], cells[5]);
  }

  private static PowerData power(String[] cells) {
    return new PowerData(
        at(cells, 2),
        at(cells, 3),
        Integer.parseInt(cells[1]),
        at(cells, 4),
        at(cells, 5),
        cells[6],
        at(cells, 9),
        at(cells, 8),
        at(cells, 7),
        at(cells, 12),
        at(cells, 11),
        at(cells, 13),
        at(cells, 10));
  }

  private static double at(String[] cells, int column) {
    return Double.parseDouble(cells[column]);
  }

  private static List<String> words(String cell) {
    return cell.isEmpty() ? List.of() : List.of(cell.split(" "));
  }

  private static List<String> options(String cell) {
    return cell.isEmpty() ? List.of() : Arrays.stream(cell.split(";")).map(String::strip).toList();
  }

  private static SettingRole role(String cell) {
    return cell.isEmpty() ? null : SettingRole.valueOf(constant(cell));
  }

  private static String constant(String word) {
    return word.toUpperCase(Locale.ROOT).replace('-', '_');
  }

  private static String orNull(String cell) {
    return cell.isEmpty() ? null : cell;
  }
}
