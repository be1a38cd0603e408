package unimotus.desktop.identify;

import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleConsumer;
import java.util.function.DoubleFunction;
import java.util.function.Function;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.QuantityField;
import unimotus.workbench.Edit;
import unimotus.workbench.Edits;

/** A sheet with a name, a device and lines of label and value. */
public final class FieldCard extends VBox {
  private static final String NONE = "none";
  private static final double LEAST_LABEL = 84;
  private static final int USUAL_COLUMNS = 9;
  private static final int MOST_COLUMNS = 15;

  private final Desk desk;
  private final GridPane grid = new GridPane();
  private int row;

  /** An empty card. */
  public FieldCard(Desk desk, String title, String device) {
    super(8);
    this.desk = desk;
    getStyleClass().add("sheet");
    grid.setHgap(8);
    grid.setVgap(6);
    javafx.scene.layout.ColumnConstraints left = new javafx.scene.layout.ColumnConstraints();
    left.setHgrow(Priority.ALWAYS);
    // A label breaks between its words, never inside one.
    left.setMinWidth(LEAST_LABEL);
    grid.getColumnConstraints().add(left);
    getChildren().addAll(Parts.label(title, "ink-label"), Parts.prose(device, "ink-strong"), grid);
  }

  /** A value that follows from others and is shown only. */
  public void computed(String name, double value, MeasureUnit unit) {
    line(name, Parts.label(desk.units().text(value, unit), "ink-live"));
  }

  /** A line of its own control. */
  public void line(String name, Node value) {
    if (value instanceof ChoiceField<?> choice) {
      choice.setMinWidth(112);
      choice.setMaxWidth(Double.MAX_VALUE);
    }
    Label label = Parts.prose(name, "ink-label");
    grid.addRow(row++, label, value);
  }

  /** One of the terminals of a role, or none. */
  public void points(
      String name,
      DeviceSheet sheet,
      TerminalRole role,
      @Nullable String chosen,
      Function<@Nullable String, Edit> edit) {
    List<String> options = new ArrayList<>(List.of(NONE));
    sheet.terminals().stream()
        .filter(t -> t.role() == role)
        .map(Terminal::id)
        .forEach(options::add);
    ChoiceField<String> field =
        new ChoiceField<>(
            name, options, o -> o, o -> desk.apply(edit.apply(o.equals(NONE) ? null : o)));
    field.setId(id(name));
    line(name, field.show(chosen == null ? NONE : chosen));
  }

  /** A sheet to be chosen among all of a kind. */
  public <T extends DeviceSheet> void sheets(String name, Class<T> kind, Function<T, Edit> edit) {
    ChoiceField<T> field =
        new ChoiceField<>(
            name,
            desk.session().sheets().all(kind),
            DeviceSheet::name,
            s -> desk.apply(edit.apply(s)));
    field.setId("choose-" + id(name));
    line(name, field);
  }

  private static String id(String name) {
    return name.toLowerCase(java.util.Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
  }

  /** A choice of a channel of the controller. */
  public void selector(String name, AxisAssembly axis, Selector selector) {
    String position = axis.controller().selectors().getOrDefault(selector.id(), selector.initial());
    ChoiceField<String> field =
        new ChoiceField<>(
            name,
            selector.options(),
            o -> o,
            o -> desk.apply(Edits.controllerSelector(axis.controller().id(), selector.id(), o)));
    field.setId(id(name));
    line(name, field.show(position));
  }

  /** A number that can be changed. */
  public void number(String name, double value, MeasureUnit unit, DoubleFunction<Edit> edit) {
    QuantityField[] self = new QuantityField[1];
    DoubleConsumer take = v -> apply(self[0], () -> edit.apply(v));
    QuantityField field = new QuantityField(name, unit, desk::units, take, desk::refuse);
    self[0] = field;
    field.setId(id(name));
    field.show(value);
    // The unit is read with the number: a field is as wide as both, within reason.
    int length = field.getText().length();
    field.setPrefColumnCount(Math.max(USUAL_COLUMNS, Math.min(MOST_COLUMNS, length)));
    line(name, field);
  }

  private void apply(QuantityField field, java.util.function.Supplier<Edit> edit) {
    try {
      if (!desk.apply(edit.get())) {
        field.markRefused();
      }
    } catch (IllegalArgumentException refused) {
      field.markRefused();
      desk.refuse(refused.getMessage());
    }
  }
}
