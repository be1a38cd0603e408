package unimotus.desktop.view;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.review.AxisReview;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.NumberSetting;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingValue;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.QuantityField;
import unimotus.desktop.station.FindingList;
import unimotus.desktop.station.View;
import unimotus.workbench.Edits;
import unimotus.workbench.WorkStep;

/**
 * The drive's settings in menu order; what differs from the works is marked and can be put back.
 */
final class SetUpView implements View {
  private static final int COLUMNS = 2;

  private final Desk desk;
  private final HBox columns = new HBox(12);
  private final FindingList findings;
  private final TextField search = new TextField();
  private final Label count = Parts.label("", "ink-label");
  private final Node node;

  SetUpView(Desk desk) {
    this.desk = desk;
    this.findings = new FindingList(desk);
    search.setId("search-settings");
    search.setPromptText("find a setting");
    search.textProperty().addListener((o, was, is) -> refresh());
    HBox actions =
        Parts.row(
            10,
            Parts.primary(
                "take-over", "Enter what follows from plate and reference", this::takeOver),
            search,
            count);
    VBox left = new VBox(10, actions, Parts.scrolling(columns));
    HBox.setHgrow(left, Priority.ALWAYS);
    VBox right =
        Parts.sheet(
            10, Parts.label("What the settings say", "ink-strong"), Parts.scrolling(findings));
    right.setPrefWidth(300);
    right.setMinWidth(300);
    HBox page = new HBox(14, left, right);
    page.setPadding(new Insets(12, 16, 12, 16));
    node = page;
  }

  @Override
  public Node node() {
    return node;
  }

  private void takeOver() {
    desk.axis().ifPresent(a -> desk.apply(Edits.takeOverDerived(desk.session().sheets(), a.id())));
  }

  @Override
  public void refresh() {
    columns.getChildren().clear();
    AxisReview review = desk.review().orElse(null);
    AxisAssembly axis = review == null ? null : review.assembly();
    findings.show(
        review == null
            ? List.of()
            : review.findings().stream()
                .filter(f -> axis == null || WorkStep.of(f.rule()) == WorkStep.SET_UP)
                .toList());
    if (axis != null) {
      show(axis);
    }
  }

  private void show(AxisAssembly axis) {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    Map<String, List<SettingDefinition>> groups = new LinkedHashMap<>();
    for (SettingDefinition setting : axis.driveSheet().settings()) {
      groups.computeIfAbsent(setting.group(), g -> new ArrayList<>()).add(setting);
    }
    for (int i = 0; i < COLUMNS; i++) {
      VBox column = new VBox(12);
      HBox.setHgrow(column, Priority.ALWAYS);
      column.setPrefWidth(340);
      columns.getChildren().add(column);
    }
    int half = (axis.driveSheet().settings().size() + groups.size() * 2 + 1) / COLUMNS;
    int placed = 0;
    for (Map.Entry<String, List<SettingDefinition>> group : groups.entrySet()) {
      VBox sheet = Parts.sheet(3, Parts.label(group.getKey(), "ink-strong"));
      group.getValue().forEach(s -> sheet.getChildren().add(row(axis, settings, s)));
      ((VBox) columns.getChildren().get(placed >= half ? 1 : 0)).getChildren().add(sheet);
      placed += group.getValue().size() + 2;
    }
    count.setText(
        "%d of %d differ from the works"
            .formatted(axis.drive().settings().size(), axis.driveSheet().settings().size()));
  }

  private Node row(AxisAssembly axis, EffectiveSettings settings, SettingDefinition setting) {
    boolean changed = axis.drive().settings().containsKey(setting.code());
    Label code = Parts.label(setting.code(), "ink-strong");
    code.setMinWidth(38);
    Label name = Parts.prose(setting.name());
    HBox.setHgrow(name, Priority.ALWAYS);
    name.setMaxWidth(Double.MAX_VALUE);
    VBox words = Parts.column(0, name);
    words.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    HBox.setHgrow(words, Priority.ALWAYS);
    HBox row = Parts.row(6, code, words, editor(axis, settings, setting));
    row.getStyleClass().add("setting-row");
    if (changed) {
      row.getStyleClass().add("changed");
      words
          .getChildren()
          .add(
              Parts.quiet(
                  "default-" + setting.code(),
                  "was " + text(setting, setting.initial()),
                  () -> desk.apply(Edits.settingToDefault(axis.drive().id(), setting.code()))));
    }
    String sought = search.getText().strip().toLowerCase(Locale.ROOT);
    if (!sought.isEmpty()
        && (setting.code() + " " + setting.name()).toLowerCase(Locale.ROOT).contains(sought)) {
      row.getStyleClass().add("sought");
    }
    return row;
  }

  private Node editor(AxisAssembly axis, EffectiveSettings settings, SettingDefinition setting) {
    SettingValue value = settings.value(setting);
    String drive = axis.drive().id();
    if (setting instanceof ChoiceSetting choice) {
      List<String> options = choice.options().stream().map(ChoiceSetting.Option::value).toList();
      ChoiceField<String> field =
          new ChoiceField<>(
              setting.name(),
              options,
              o -> o,
              o -> desk.apply(Edits.setting(drive, setting.code(), new SettingValue.Choice(o))));
      field.setId("setting-" + setting.code());
      field.setPrefWidth(118);
      field.setMinWidth(118);
      return field.show(value instanceof SettingValue.Choice c ? c.value() : null);
    }
    NumberSetting number = (NumberSetting) setting;
    QuantityField[] self = new QuantityField[1];
    QuantityField field =
        new QuantityField(
            setting.code() + " " + setting.name(),
            number.unit(),
            desk::units,
            v -> enter(drive, number, v, self[0]),
            desk::refuse);
    self[0] = field;
    field.setId("setting-" + setting.code());
    field.hint("takes " + setting.rangeText());
    field.setPrefWidth(118);
    field.setMinWidth(118);
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

  private String text(SettingDefinition setting, SettingValue value) {
    return value instanceof SettingValue.Number n
        ? desk.units().text(n.value(), ((NumberSetting) setting).unit())
        : ((SettingValue.Choice) value).value();
  }
}
