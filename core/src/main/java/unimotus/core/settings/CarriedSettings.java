package unimotus.core.settings;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.NumberSetting;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingValue;
import unimotus.core.value.HeldValue;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.ValueRole;

/**
 * Which settings of a drive stand in values of its fieldbus. A value carries a setting where its
 * name begins with the setting's code, such as {@code 302 acceleration time}, or is its name.
 *
 * @param carried the value of each setting that stands in one, by code in menu order
 * @param missing why a setting cannot be read, by code in menu order
 */
public record CarriedSettings(Map<String, PlacedValue> carried, Map<String, String> missing) {

  private static final String NOT_NAMED = "no register of the map is named after it";

  /** Takes copies that keep the order. */
  public CarriedSettings {
    carried = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(carried));
    missing = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(missing));
  }

  /** The settings of a sheet among the values of a drive. */
  public static CarriedSettings of(DriveSheet sheet, List<? extends PlacedValue> values) {
    Map<String, PlacedValue> carried = new LinkedHashMap<>();
    Map<String, String> missing = new LinkedHashMap<>();
    for (SettingDefinition setting : sheet.settings()) {
      List<PlacedValue> found =
          values.stream().<PlacedValue>map(v -> v).filter(v -> isNamed(v, setting)).toList();
      Optional<String> why = whyNot(setting, found);
      if (why.isPresent()) {
        missing.put(setting.code(), why.get());
      } else {
        carried.put(setting.code(), found.get(0));
      }
    }
    return new CarriedSettings(carried, missing);
  }

  /** Settings that a register is named after and that cannot be read all the same, a line each. */
  public List<String> unusable() {
    return missing.entrySet().stream()
        .filter(m -> !m.getValue().equals(NOT_NAMED))
        .map(m -> "%s: %s".formatted(m.getKey(), m.getValue()))
        .toList();
  }

  private static boolean isNamed(PlacedValue entry, SettingDefinition setting) {
    String name = entry.value().name().strip();
    // "Motor speed" without a code is what the shaft does where it has that role, not the plate's.
    boolean measured =
        entry.value().role() != ValueRole.NONE && entry.value().role() != ValueRole.LINK_TIMEOUT;
    return Pattern.matches(Pattern.quote(setting.code()) + "(?![\\w.\\-]).*", name)
        || !measured && name.equalsIgnoreCase(setting.name());
  }

  private static Optional<String> whyNot(SettingDefinition setting, List<PlacedValue> found) {
    if (found.isEmpty()) {
      return Optional.of(NOT_NAMED);
    }
    if (found.size() > 1) {
      return Optional.of(
          "%d registers are named after it: %s"
              .formatted(
                  found.size(),
                  String.join(", ", found.stream().map(v -> v.value().name()).toList())));
    }
    PlacedValue entry = found.get(0);
    if (!entry.value().access().isReadable()) {
      return Optional.of("%s can only be written".formatted(entry.value().name()));
    }
    if (entry.value().type().isText()) {
      return Optional.of("%s holds text".formatted(entry.value().name()));
    }
    if (setting instanceof NumberSetting number && unit(entry, number).isEmpty()) {
      return Optional.of(
          "%s is counted in '%s', the setting in '%s'"
              .formatted(
                  entry.value().name(), entry.value().scaling().unit(), number.unit().symbol()));
    }
    return Optional.empty();
  }

  /** The unit of a register where it measures what the setting does. */
  private static Optional<MeasureUnit> unit(PlacedValue entry, NumberSetting setting) {
    return MeasureUnit.ofSymbol(entry.value().scaling().unit())
        .filter(u -> u.dimension() == setting.unit().dimension());
  }

  /**
   * The value of a setting in what was read of it.
   *
   * @throws IllegalArgumentException naming setting, register and what it holds, where the drive
   *     would not take such a value or the sheet does not tell which choice the number is
   */
  public static SettingValue value(SettingDefinition setting, PlacedValue entry, HeldValue read) {
    double held = read instanceof HeldValue.Number number ? number.value() : Double.NaN;
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
                  entry.value().name(),
                  entry.value().shown(read, QuantityFormat.PLAIN),
                  setting.rangeText()));
    }
    return value;
  }

  /** What decimal steps leave behind in binary is no digit of the drive's. */
  private static double rounded(double value) {
    return Double.parseDouble(String.format(Locale.ROOT, "%.9g", value));
  }

  /** The drive's own display shows most choices as numbers, and the register holds the same. */
  private static SettingValue choice(ChoiceSetting setting, PlacedValue entry, double held) {
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
                  .formatted(setting.code(), entry.value().name(), number, setting.rangeText())
              : "%s: %s reads %s, which the sheet shows for %s alike"
                  .formatted(
                      setting.code(), entry.value().name(), number, String.join(" and ", fitting)));
    }
    return new SettingValue.Choice(fitting.get(0));
  }

  private static boolean isShownAs(ChoiceSetting.Option option, double number) {
    return shownNumber(option).filter(shown -> shown == number).isPresent();
  }

  /**
   * What holds a setting.
   *
   * @return empty where the sheet gives the choice no number, or the place cannot hold the value
   */
  public static Optional<HeldValue> held(
      SettingDefinition setting, PlacedValue entry, SettingValue value) {
    return number(setting, entry, value)
        .filter(
            n -> {
              double raw = entry.value().scaling().raw(n);
              return raw >= entry.value().type().least() && raw <= entry.value().type().most();
            })
        .map(HeldValue.Number::new);
  }

  private static Optional<Double> number(
      SettingDefinition setting, PlacedValue entry, SettingValue value) {
    if (setting instanceof NumberSetting number && value instanceof SettingValue.Number n) {
      return unit(entry, number).map(u -> number.unit().convert(n.value(), u));
    }
    return ((ChoiceSetting) setting)
        .options().stream()
            .filter(o -> new SettingValue.Choice(o.value()).equals(value))
            .findFirst()
            .flatMap(CarriedSettings::shownNumber);
  }

  private static Optional<Double> shownNumber(ChoiceSetting.Option option) {
    try {
      return Optional.of(Double.parseDouble(option.shown().strip()));
    } catch (NumberFormatException word) {
      return Optional.empty();
    }
  }
}
