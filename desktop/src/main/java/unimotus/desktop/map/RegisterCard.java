package unimotus.desktop.map;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import unimotus.core.fieldbus.Notation;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterPlace;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.fieldbus.WordOrder;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.quantity.QuantityText;
import unimotus.core.value.Access;
import unimotus.core.value.DriveValue;
import unimotus.core.value.Scaling;
import unimotus.core.value.ValueRole;
import unimotus.core.value.ValueType;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.WordField;

/** One register, every property edited in place. */
final class RegisterCard extends VBox {
  private static final double NAMES = 54;

  private final GridPane grid = new GridPane();
  private final RegisterEntry entry;
  private final Consumer<RegisterEntry> take;
  private final Consumer<String> refuse;
  private int row;

  /**
   * A card.
   *
   * @param entry what is edited
   * @param take receives it changed
   * @param remove takes it away
   * @param refuse receives why a change is impossible
   */
  RegisterCard(
      RegisterEntry entry,
      Consumer<RegisterEntry> take,
      Runnable remove,
      Runnable close,
      Consumer<String> refuse) {
    super(6);
    this.entry = entry;
    this.take = take;
    this.refuse = refuse;
    grid.setHgap(8);
    grid.setVgap(3);
    text("name", entry.name(), t -> value(entry.value().withName(t)));
    choice("table", RegisterTable.values(), RegisterTable::label, entry.table(), this::table);
    text(
        "address from 0",
        Notation.FROM_ZERO.write(entry.table(), entry.address()),
        t -> take.accept(entry.at(Notation.FROM_ZERO.read(entry.table(), t))));
    choice("type", ValueType.values(), ValueType::label, entry.type(), this::type);
    choice("order", WordOrder.values(), WordOrder::name, entry.order(), this::order);
    text(
        "one step",
        number(entry.scale()),
        t -> scaling(number("one step", t), entry.offset(), entry.unit()));
    text(
        "at raw 0",
        number(entry.offset()),
        t -> scaling(entry.scale(), number("at raw 0", t), entry.unit()));
    text("unit", entry.unit(), t -> scaling(entry.scale(), entry.offset(), t));
    text("least", number(entry.minimum()), t -> range(number("least", t), entry.maximum()));
    text("most", number(entry.maximum()), t -> range(entry.minimum(), number("most", t)));
    choice("access", Access.values(), Access::label, entry.access(), this::access);
    text("group", entry.group(), this::group);
    choice("role", ValueRole.values(), ValueRole::label, entry.role(), this::role);
    getChildren()
        .addAll(
            Parts.row(8, title(entry.name()), Parts.quiet("register-close", "close", close)),
            grid,
            Parts.quiet("register-remove", "remove this register", remove));
  }

  private static Label title(String name) {
    Label title = Parts.prose(name, "ink-title");
    title.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(title, Priority.ALWAYS);
    return title;
  }

  /** A word beside a field gives way to nothing; the field does. */
  private static Label named(String name) {
    Label label = Parts.prose(name, "ink-label");
    label.setMinWidth(NAMES);
    label.setPrefWidth(NAMES);
    return label;
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }

  private static double number(String name, String text) {
    return QuantityText.parseIn(name, text, MeasureUnit.ONE);
  }

  private interface Change {
    void to(String text);
  }

  private void text(String name, String value, Change change) {
    WordField field =
        new WordField("register-" + name.replace(' ', '-'), name, value, 12, t -> tried(change, t));
    grid.addRow(row++, named(name), field);
  }

  private <E> void choice(
      String name, E[] options, Function<E, String> words, E value, Consumer<E> change) {
    ChoiceField<E> field =
        new ChoiceField<>(
            name,
            List.of(options),
            words,
            chosen -> {
              try {
                change.accept(chosen);
              } catch (IllegalArgumentException e) {
                refuse.accept(e.getMessage());
              }
            });
    field.setId("register-" + name);
    field.setPrefWidth(170);
    field.show(value);
    grid.addRow(row++, named(name), field);
  }

  private void tried(Change change, String text) {
    try {
      change.to(text);
    } catch (IllegalArgumentException e) {
      refuse.accept(e.getMessage());
    }
  }

  private void value(DriveValue next) {
    take.accept(new RegisterEntry(next, entry.place()));
  }

  private void place(RegisterPlace next) {
    take.accept(entry.at(next));
  }

  private void scaling(double scale, double offset, String unit) {
    value(entry.value().withScaling(new Scaling(scale, offset, unit)));
  }

  /** A table of bits holds bits and no other holds one. */
  private void table(RegisterTable table) {
    ValueType type =
        table.isBits()
            ? ValueType.BIT
            : entry.type() == ValueType.BIT ? ValueType.UNSIGNED_16 : entry.type();
    take.accept(new RegisterEntry(entry.value().withType(type), entry.place().withTable(table)));
  }

  private void type(ValueType type) {
    value(entry.value().withType(type));
  }

  private void order(WordOrder order) {
    place(entry.place().withOrder(order));
  }

  private void access(Access access) {
    value(entry.value().withAccess(access));
  }

  private void range(double least, double most) {
    take.accept(entry.within(least, most));
  }

  private void group(String group) {
    place(entry.place().withGroup(group));
  }

  private void role(ValueRole role) {
    take.accept(entry.with(role));
  }
}
