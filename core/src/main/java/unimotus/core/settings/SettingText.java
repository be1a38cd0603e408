package unimotus.core.settings;

import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.NumberSetting;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingValue;

/** Values of settings in words. */
public final class SettingText {
  private SettingText() {}

  /** A value with its unit, or its word. */
  public static String of(SettingDefinition setting, SettingValue value) {
    return of(setting, value, QuantityFormat.PLAIN);
  }

  /** A value with its unit in a reader's format, or its word. */
  public static String of(SettingDefinition setting, SettingValue value, QuantityFormat format) {
    if (value instanceof SettingValue.Number n) {
      return setting instanceof NumberSetting number
          ? format.text(n.value(), number.unit())
          : format.number(n.value());
    }
    return ((SettingValue.Choice) value).value();
  }

  /** What the drive's own display shows for a value. */
  public static String shown(SettingDefinition setting, SettingValue value) {
    if (setting instanceof ChoiceSetting choice && value instanceof SettingValue.Choice c) {
      return choice.options().stream()
          .filter(o -> o.value().equals(c.value()))
          .map(o -> o.shown().equals(o.value()) ? o.value() : o.shown() + " " + o.value())
          .findFirst()
          .orElse(c.value());
    }
    return of(setting, value);
  }
}
