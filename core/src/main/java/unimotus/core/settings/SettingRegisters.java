package unimotus.core.settings;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.RegisterRole;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.NumberSetting;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingValue;

/**
 * Which settings of a drive stand in registers of its map. A register carries a setting where its
 * name begins with the setting's code, such as {@code 302 acceleration time}, or is its name.
 *
 * @param carried the register of each setting that stands in one, by code in menu order
 * @param missing why a setting cannot be read, by code in menu order
 */
public record SettingRegisters(Map<String, RegisterEntry> carried, Map<String, String> missing) {

  private static final String NOT_NAMED = "no register of the map is named after it";

  /** Takes copies that keep the order. */
  public SettingRegisters {
    carried = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(carried));
    missing = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(missing));
  }

  /** The settings of a sheet in a map. */
  public static SettingRegisters of(DriveSheet sheet, RegisterMap map) {
    Map<String, RegisterEntry> carried = new LinkedHashMap<>();
    Map<String, String> missing = new LinkedHashMap<>();
    for (SettingDefinition setting : sheet.settings()) {
      List<RegisterEntry> found = map.entries().stream().filter(e -> isNamed(e, setting)).toList();
      Optional<String> why = whyNot(setting, found);
      if (why.isPresent()) {
        missing.put(setting.code(), why.get());
      } else {
        carried.put(setting.code(), found.get(0));
      }
    }
    return new SettingRegisters(carried, missing);
  }

  /** Settings that a register is named after and that cannot be read all the same, a line each. */
  public List<String> unusable() {
    return missing.entrySet().stream()
        .filter(m -> !m.getValue().equals(NOT_NAMED))
        .map(m -> "%s: %s".formatted(m.getKey(), m.getValue()))
        .toList();
  }

  private static boolean isNamed(RegisterEntry entry, SettingDefinition setting) {
    String name = entry.name().strip();
    // "Motor speed" without a code is what the shaft does where it has that role, not the plate's.
    boolean measured =
        entry.role() != RegisterRole.NONE && entry.role() != RegisterRole.LINK_TIMEOUT;
    return Pattern.matches(Pattern.quote(setting.code()) + "(?![\\w.\\-]).*", name)
        || !measured && name.equalsIgnoreCase(setting.name());
  }

  private static Optional<String> whyNot(SettingDefinition setting, List<RegisterEntry> found) {
    if (found.isEmpty()) {
      return Optional.of(NOT_NAMED);
    }
    if (found.size() > 1) {
      return Optional.of(
          "%d registers are named after it: %s"
              .formatted(
                  found.size(),
                  String.join(", ", found.stream().map(RegisterEntry::name).toList())));
    }
    RegisterEntry entry = found.get(0);
    if (!entry.access().isReadable()) {
      return Optional.of("%s can only be written".formatted(entry.name()));
    }
    if (entry.type().isText()) {
      return Optional.of("%s holds text".formatted(entry.name()));
    }
    if (setting instanceof NumberSetting number && unit(entry, number).isEmpty()) {
      return Optional.of(
          "%s is counted in '%s', the setting in '%s'"
              .formatted(entry.name(), entry.unit(), number.unit().symbol()));
    }
    return Optional.empty();
  }

  /** The unit of a register where it measures what the setting does. */
  private static Optional<MeasureUnit> unit(RegisterEntry entry, NumberSetting setting) {
    return MeasureUnit.ofSymbol(entry.unit())
        .filter(u -> u.dimension() == setting.unit().dimension());
  }

  /**
   * The value of a setting in the words of its register.
   *
   * @throws IllegalArgumentException naming setting, register and what it holds, where the drive
   *     would not take such a value or the sheet does not tell which choice the number is
   */
  public static SettingValue value(SettingDefinition setting, RegisterEntry entry, int[] words) {
    double held = entry.value(words);
    SettingValue value =
        setting instanceof NumberSetting number
            ? new SettingValue.Number(
                rounded(unit(entry, number).orElseThrow().convert(held, number.unit())))
            : choice((ChoiceSetting) setting, entry, held);
    if (!setting.takes(value)) {
      throw new IllegalArgumentException(
          "%s: %s reads %s, it takes %s"
              .formatted(
                  setting.code(),
                  entry.name(),
                  entry.shown(words, QuantityFormat.PLAIN),
                  setting.rangeText()));
    }
    return value;
  }

  /** What decimal steps leave behind in binary is no digit of the drive's. */
  private static double rounded(double value) {
    return Double.parseDouble(String.format(Locale.ROOT, "%.9g", value));
  }

  /** The drive's own display shows most choices as numbers, and the register holds the same. */
  private static SettingValue choice(ChoiceSetting setting, RegisterEntry entry, double held) {
    String number = QuantityFormat.PLAIN.number(held);
    List<String> fitting = new ArrayList<>();
    for (ChoiceSetting.Option option : setting.options()) {
      if (isShownAs(option, held)) {
        fitting.add(option.value());
      }
    }
    if (fitting.size() != 1) {
      throw new IllegalArgumentException(
          fitting.isEmpty()
              ? "%s: %s reads %s, and the sheet shows no choice as that number: %s"
                  .formatted(setting.code(), entry.name(), number, setting.rangeText())
              : "%s: %s reads %s, which the sheet shows for %s alike"
                  .formatted(setting.code(), entry.name(), number, String.join(" and ", fitting)));
    }
    return new SettingValue.Choice(fitting.get(0));
  }

  private static boolean isShownAs(ChoiceSetting.Option option, double number) {
    try {
      return Double.parseDouble(option.shown().strip()) == number;
    } catch (NumberFormatException word) {
      return false;
    }
  }

  /**
   * The words that hold a setting.
   *
   * @return empty where the sheet gives the choice no number, or the register cannot hold the value
   */
  public static Optional<int[]> words(
      SettingDefinition setting, RegisterEntry entry, SettingValue value) {
    try {
      if (setting instanceof NumberSetting number && value instanceof SettingValue.Number n) {
        return Optional.of(
            entry.words(number.unit().convert(n.value(), unit(entry, number).orElseThrow())));
      }
      String shown =
          ((ChoiceSetting) setting)
              .options().stream()
                  .filter(o -> new SettingValue.Choice(o.value()).equals(value))
                  .findFirst()
                  .orElseThrow()
                  .shown();
      return Optional.of(entry.words(Double.parseDouble(shown.strip())));
    } catch (IllegalArgumentException noNumber) {
      return Optional.empty();
    }
  }
}
