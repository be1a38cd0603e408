package unimotus.desktop.kit;

import java.util.function.Consumer;
import java.util.function.DoubleConsumer;
import java.util.function.Supplier;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import unimotus.core.quantity.MeasureUnit;
import unimotus.workbench.DisplayUnits;

/**
 * A number edited in place: Enter takes it, Escape leaves it, leaving the field takes it too. What
 * cannot be read stays in the field, marked, and the message says why.
 */
public final class QuantityField extends TextField {
  private final String name;
  private final MeasureUnit unit;
  private final Supplier<DisplayUnits> units;
  private final Consumer<String> refuse;
  private final DoubleConsumer take;

  private double value;
  private String shown = "";

  /**
   * A field.
   *
   * @param name what the number is, for messages
   * @param unit the unit the value is kept in
   * @param units tells the reader's units
   * @param take receives the number that was entered, in {@code unit}
   * @param refuse receives the reason where it could not be read
   */
  public QuantityField(
      String name,
      MeasureUnit unit,
      Supplier<DisplayUnits> units,
      DoubleConsumer take,
      Consumer<String> refuse) {
    this.name = name;
    this.unit = unit;
    this.units = units;
    this.take = take;
    this.refuse = refuse;
    getStyleClass().add("number");
    setAccessibleText(name);
    setPrefColumnCount(9);
    setOnAction(e -> commit());
    setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.ESCAPE) {
            show(value);
            selectAll();
            e.consume();
          }
        });
    focusedProperty()
        .addListener(
            (o, was, is) -> {
              if (!is) {
                commit();
              }
            });
  }

  /** Says what the number means and where its limits are. */
  public QuantityField hint(String text) {
    Hint.on(this, () -> text);
    return this;
  }

  /** Shows a value, unless the user is in the middle of typing another. */
  public void show(double next) {
    value = next;
    shown = units.get().text(next, unit);
    getStyleClass().remove("refused");
    if (!shown.equals(getText())) {
      setText(shown);
    }
  }

  /** Whether something was typed that is not taken yet. */
  public boolean isBeingTyped() {
    return !getText().equals(shown);
  }

  private void commit() {
    if (!isBeingTyped()) {
      return;
    }
    // Taking it may redraw the view, which takes the focus away and would commit a second time.
    shown = getText();
    try {
      double entered = units.get().parse(name, getText(), unit);
      getStyleClass().remove("refused");
      take.accept(entered);
    } catch (IllegalArgumentException e) {
      markRefused();
      refuse.accept(e.getMessage());
    }
  }

  /** Marks the entry as not taken. */
  public void markRefused() {
    if (!getStyleClass().contains("refused")) {
      getStyleClass().add("refused");
    }
  }
}
