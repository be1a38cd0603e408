package unimotus.core.sheet;

import org.jspecify.annotations.Nullable;

/** One setting of a drive: a number with a range, or a choice. */
public sealed interface SettingDefinition permits NumberSetting, ChoiceSetting {

  /** The code in the drive's own menu. */
  String code();

  /** The name in words. */
  String name();

  /** The menu group it stands in. */
  String group();

  /** What it means to the axis; null where the program does not use it. */
  @Nullable SettingRole role();

  /** Whether it tells the drive about its motor, the overload included. */
  default boolean isOfTheMotor() {
    SettingRole role = role();
    return role != null && role.isOfTheMotor();
  }

  /** Whether what is entered stays entered; a setting without a role does. */
  default boolean isKept() {
    SettingRole role = role();
    return role == null || role.isKept();
  }

  /** The terminal it belongs to, null where it serves the whole drive. */
  @Nullable String terminal();

  /** The value it leaves the works with. */
  SettingValue initial();

  /** The same setting under another code. */
  SettingDefinition withCode(String nextCode);

  /** Whether the drive would take {@code value}. */
  boolean takes(SettingValue value);

  /** The range or the choices in words, for messages. */
  String rangeText();
}
