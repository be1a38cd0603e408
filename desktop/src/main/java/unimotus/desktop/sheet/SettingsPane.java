package unimotus.desktop.sheet;

import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import unimotus.core.quantity.QuantityText;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.NumberSetting;
import unimotus.core.sheet.NumberSettingBuilder;
import unimotus.core.sheet.SettingDefinition;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.WordField;

/** The settings of a drive's sheet: code in its menu, name, range or choices, works value. */
final class SettingsPane {
  private final SheetChange change;

  SettingsPane(SheetChange change) {
    this.change = change;
  }

  Node show(DeviceSheet sheet) {
    VBox rows = new VBox(4);
    if (sheet instanceof DriveSheet drive) {
      drive.settings().forEach(s -> rows.getChildren().add(row(s)));
    }
    return Parts.scrolling(rows);
  }

  private Node row(SettingDefinition setting) {
    HBox line =
        Parts.row(
            10,
            new WordField(
                "setting-code-" + setting.code(),
                "code of " + setting.code(),
                setting.code(),
                6,
                t -> put(setting, t, setting.name())),
            new WordField(
                "setting-name-" + setting.code(),
                "name of " + setting.code(),
                setting.name(),
                22,
                t -> put(setting, setting.code(), t)));
    if (setting instanceof NumberSetting number) {
      addNumber(line, number);
    } else if (setting instanceof ChoiceSetting choice) {
      addChoice(line, choice);
    }
    line.getChildren()
        .addAll(
            Parts.spring(),
            Parts.quiet(
                "setting-add-" + setting.code(),
                "one more like it",
                () -> change.apply(d -> d.addLike(setting))),
            Parts.quiet(
                "setting-remove-" + setting.code(),
                "remove",
                () -> change.apply(d -> d.remove(setting))));
    line.getStyleClass().add("setting-row");
    return line;
  }

  private void addNumber(HBox line, NumberSetting s) {
    line.getChildren()
        .addAll(
            new WordField(
                "setting-low-" + s.code(),
                "low of " + s.code(),
                plain(s.minimum()),
                6,
                t -> number(s, t, plain(s.maximum()), plain(s.defaultValue()))),
            Parts.label("to", "ink-caption"),
            new WordField(
                "setting-high-" + s.code(),
                "high of " + s.code(),
                plain(s.maximum()),
                6,
                t -> number(s, plain(s.minimum()), t, plain(s.defaultValue()))),
            Parts.label(s.unit().symbol() + ", factory default", "ink-caption"),
            new WordField(
                "setting-default-" + s.code(),
                "default of " + s.code(),
                plain(s.defaultValue()),
                6,
                t -> number(s, plain(s.minimum()), plain(s.maximum()), t)));
  }

  private void addChoice(HBox line, ChoiceSetting s) {
    ChoiceField<ChoiceSetting.Option> works =
        new ChoiceField<>(
            "factory default of " + s.code(),
            s.options(),
            o -> o.value() + (o.shown().equals(o.value()) ? "" : " (" + o.shown() + ")"),
            o ->
                change.apply(
                    d ->
                        d.put(
                            s,
                            new ChoiceSetting(
                                s.code(),
                                s.name(),
                                s.group(),
                                s.role(),
                                s.terminal(),
                                s.options(),
                                o.value()))));
    works.setId("setting-default-" + s.code());
    s.options().stream()
        .filter(o -> o.value().equals(s.defaultValue()))
        .findFirst()
        .ifPresent(works::show);
    line.getChildren()
        .addAll(
            Parts.label("one of %d, factory default".formatted(s.options().size()), "ink-caption"),
            works);
  }

  private static String plain(double value) {
    return value == Math.rint(value) ? Long.toString((long) value) : Double.toString(value);
  }

  private void number(NumberSetting s, String low, String high, String works) {
    change.apply(
        d ->
            d.put(
                s,
                NumberSettingBuilder.builder(s)
                    .minimum(parse(s, low))
                    .maximum(parse(s, high))
                    .defaultValue(parse(s, works))
                    .build()));
  }

  private static double parse(NumberSetting setting, String text) {
    return QuantityText.parseIn("setting " + setting.code(), text, setting.unit());
  }

  private void put(SettingDefinition s, String code, String name) {
    if (code.isBlank()) {
      return;
    }
    change.apply(
        d ->
            d.put(
                s,
                s instanceof NumberSetting n
                    ? NumberSettingBuilder.builder(n).code(code).name(name).build()
                    : renamed((ChoiceSetting) s, code, name)));
  }

  private static ChoiceSetting renamed(ChoiceSetting c, String code, String name) {
    return new ChoiceSetting(
        code, name, c.group(), c.role(), c.terminal(), c.options(), c.defaultValue());
  }
}
