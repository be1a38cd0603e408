package unimotus.desktop.setup;

import java.util.List;
import javafx.scene.control.Control;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.NumberSetting;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingValue;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.QuantityField;
import unimotus.workbench.Edits;

/** The field a designed value is changed in. */
final class SettingEditor {
  static final double WIDTH = 146;

  private final Desk desk;

  SettingEditor(Desk desk) {
    this.desk = desk;
  }

  Control of(AxisAssembly axis, SettingDefinition setting) {
    SettingValue value = new EffectiveSettings(axis.drive(), axis.driveSheet()).value(setting);
    Control field =
        setting instanceof ChoiceSetting choice
            ? choice(axis.drive().id(), choice, value)
            : number(axis.drive().id(), (NumberSetting) setting, value);
    field.setId("setting-" + setting.code());
    field.setPrefWidth(WIDTH);
    field.setMinWidth(WIDTH);
    return field;
  }

  private Control choice(String drive, ChoiceSetting setting, SettingValue value) {
    List<String> options = setting.options().stream().map(ChoiceSetting.Option::value).toList();
    ChoiceField<String> field =
        new ChoiceField<>(
            setting.name(),
            options,
            o -> o,
            o -> desk.apply(Edits.setting(drive, setting.code(), new SettingValue.Choice(o))));
    return field.show(value instanceof SettingValue.Choice c ? c.value() : null);
  }

  private Control number(String drive, NumberSetting setting, SettingValue value) {
    QuantityField[] self = new QuantityField[1];
    QuantityField field =
        new QuantityField(
            setting.code() + " " + setting.name(),
            setting.unit(),
            desk::units,
            v -> enter(drive, setting, v, self[0]),
            desk::refuse);
    self[0] = field;
    field.hint("takes " + setting.rangeText());
    if (value instanceof SettingValue.Number n) {
      field.show(n.value());
    }
    return field;
  }

  private void enter(String drive, NumberSetting setting, double value, QuantityField field) {
    SettingValue next = new SettingValue.Number(value);
    if (setting.takes(next)) {
      desk.apply(Edits.setting(drive, setting.code(), next));
    } else {
      field.markRefused();
      desk.refuse(
          "%s %s: %s is outside what the drive takes, %s"
              .formatted(
                  setting.code(),
                  setting.name(),
                  desk.units().text(value, setting.unit()),
                  setting.rangeText()));
    }
  }

  /** A value with its unit in the reader's format, or its word. */
  static String text(Desk desk, SettingDefinition setting, SettingValue value) {
    return value instanceof SettingValue.Number n && setting instanceof NumberSetting number
        ? desk.units().text(n.value(), number.unit())
        : value instanceof SettingValue.Choice c ? c.value() : "";
  }
}
