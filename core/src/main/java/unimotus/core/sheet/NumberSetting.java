package unimotus.core.sheet;

import org.jspecify.annotations.Nullable;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/**
 * A setting that is a number.
 *
 * @param code code in the drive's menu
 * @param name name in words
 * @param group menu group
 * @param role meaning to the axis, or null
 * @param terminal terminal it belongs to, or null
 * @param unit unit of the numbers
 * @param minimum least value the drive takes
 * @param maximum greatest value the drive takes
 * @param defaultValue value from the works, within the range
 */
public record NumberSetting(
    String code,
    String name,
    String group,
    @Nullable SettingRole role,
    @Nullable String terminal,
    MeasureUnit unit,
    double minimum,
    double maximum,
    double defaultValue)
    implements SettingDefinition {

  /** Checks that the default lies within the range. */
  public NumberSetting {
    if (!(minimum <= defaultValue && defaultValue <= maximum)) {
      throw new IllegalArgumentException(
          "setting %s: default %s is outside %s to %s"
              .formatted(code, defaultValue, minimum, maximum));
    }
  }

  @Override
  public SettingValue initial() {
    return new SettingValue.Number(defaultValue);
  }

  @Override
  public NumberSetting withCode(String nextCode) {
    return new NumberSetting(
        nextCode, name, group, role, terminal, unit, minimum, maximum, defaultValue);
  }

  @Override
  public boolean takes(SettingValue value) {
    return value instanceof SettingValue.Number n && minimum <= n.value() && n.value() <= maximum;
  }

  @Override
  public String rangeText() {
    return "%s to %s"
        .formatted(QuantityFormat.PLAIN.number(minimum), QuantityFormat.PLAIN.text(maximum, unit));
  }
}
