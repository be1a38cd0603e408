package unimotus.desktop.motion;

import java.util.function.DoubleFunction;
import java.util.function.Supplier;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import unimotus.core.quantity.MeasureUnit;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.QuantityField;
import unimotus.workbench.Edit;

/** A number in a row of a card; one that is refused stays marked, with the reason told. */
public final class EditField {
  private EditField() {}

  /**
   * A field.
   *
   * @param id its id in the window; with spaces for hyphens its name in messages
   * @param edit the change that a number asks for; may refuse it
   */
  public static QuantityField of(
      Desk desk, String id, double value, MeasureUnit unit, DoubleFunction<Edit> edit) {
    QuantityField[] self = new QuantityField[1];
    QuantityField field =
        new QuantityField(
            id.replace('-', ' '),
            unit,
            desk::units,
            v -> take(desk, self[0], () -> edit.apply(v)),
            desk::refuse);
    self[0] = field;
    field.setId(id);
    field.setPrefColumnCount(6);
    HBox.setHgrow(field, Priority.SOMETIMES);
    field.show(value);
    return field;
  }

  private static void take(Desk desk, QuantityField field, Supplier<Edit> edit) {
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
