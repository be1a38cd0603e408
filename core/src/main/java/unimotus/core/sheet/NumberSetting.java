package unimotus.core.sheet;

import io.soabase.recordbuilder.core.RecordBuilder;
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
 * @param preset the combination of preset inputs it is the frequency of; null where it is of none
 */
@RecordBuilder
public record NumberSetting(
    String code,
    String name,
    String group,
    @Nullable SettingRole role,
    @Nullable String terminal,
    MeasureUnit unit,
    double minimum,
    double maximum,
    double defaultValue,
    @Nullable Integer preset)
    implements SettingDefinition {

  /** Greatest number of a combination of four inputs. */
  public static final int LAST_PRESET = 15;

  /** A setting of no preset. */
  public NumberSetting(
      String code,
      String name,
      String group,
      @Nullable SettingRole role,
      @Nullable String terminal,
      MeasureUnit unit,
      double minimum,
      double maximum,
      double defaultValue) {
    this(code, name, group, role, terminal, unit, minimum, maximum, defaultValue, null);
  }

  /** Checks that the default lies within the range, and that a preset has its number. */
  public NumberSetting {
    if (!(minimum <= defaultValue && defaultValue <= maximum)) {
      throw new IllegalArgumentException(
          "setting %s: default %s is outside %s to %s"
              .formatted(code, defaultValue, minimum, maximum));
    }
    boolean named = preset != null && preset >= 0 && preset <= LAST_PRESET;
    if (named != (role == SettingRole.PRESET_FREQUENCY) || (preset != null && !named)) {
      throw new IllegalArgumentException(
          "setting %s: the combination it is the frequency of must be 0 to %d with the role preset-frequency, and none with another; it is %s"
              .formatted(code, LAST_PRESET, preset));
    }
  }

  /** Whether it holds the frequency of this combination of preset inputs. */
  boolean isOfPreset(int combination) {
    return preset != null && preset == combination;
  }

  @Override
  public SettingValue initial() {
    return new SettingValue.Number(defaultValue);
  }

  @Override
  public NumberSetting withCode(String nextCode) {
    return NumberSettingBuilder.builder(this).code(nextCode).build();
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
