package unimotus.core.settings;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;

/**
 * The macro after which least is left to enter.
 *
 * @param macro the setting
 * @param value the macro
 * @param left settings that still have to be entered after it
 * @param leftPlain the same without a macro
 */
record MacroChoice(ChoiceSetting macro, String value, int left, int leftPlain) {

  /** The best macro of a drive for these values; empty where it has none. */
  static Optional<MacroChoice> of(DriveSheet sheet, Map<String, SettingValue> meant) {
    if (!(sheet.setting(SettingRole.MACRO).orElse(null) instanceof ChoiceSetting macro)) {
      return Optional.empty();
    }
    Map<String, SettingValue> values = new LinkedHashMap<>(meant);
    values.remove(macro.code());
    int plain = left(sheet, macro, macro.defaultValue(), values);
    MacroChoice best = new MacroChoice(macro, macro.defaultValue(), plain, plain);
    for (ChoiceSetting.Option option : macro.options()) {
      int left = left(sheet, macro, option.value(), values);
      if (left < best.left()) {
        best = new MacroChoice(macro, option.value(), left, plain);
      }
    }
    return Optional.of(best);
  }

  /** How many settings stand otherwise than meant once a macro is entered in a drive as new. */
  private static int left(
      DriveSheet sheet, ChoiceSetting macro, String option, Map<String, SettingValue> meant) {
    DriveMemory fresh = DriveMemory.works(sheet);
    SettingValue value = new SettingValue.Choice(option);
    DriveMemory after =
        value.equals(macro.initial()) ? fresh : fresh.enter(macro.code(), value, 0).next();
    Map<String, SettingValue> target = SettingGraph.works(sheet);
    target.putAll(meant);
    target.remove(macro.code());
    return after.differing(target).size() + (value.equals(macro.initial()) ? 0 : 1);
  }

  String reason() {
    return value.equals(macro.defaultValue())
        ? "No macro leaves less to enter than the factory defaults (%d settings).".formatted(left)
        : "With it %d entries are left instead of %d.".formatted(left, leftPlain);
  }
}
