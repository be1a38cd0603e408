package unimotus.desktop.map;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import unimotus.core.fieldbus.Notation;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterEntry.Access;
import unimotus.core.fieldbus.RegisterRole;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.fieldbus.RegisterType;
import unimotus.core.fieldbus.WordOrder;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.quantity.QuantityText;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.WordField;

/** One register, every property edited in place. */
final class RegisterCard extends VBox {
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
    text("name", entry.name(), t -> change(t, entry.address(), entry.scale(), entry.offset()));
    choice("table", RegisterTable.values(), RegisterTable::label, entry.table(), this::table);
    text(
        "address from 0",
        Notation.FROM_ZERO.write(entry.table(), entry.address()),
        t ->
            change(
                entry.name(),
                Notation.FROM_ZERO.read(entry.table(), t),
                entry.scale(),
                entry.offset()));
    choice("type", RegisterType.values(), RegisterType::label, entry.type(), this::type);
    choice("order", WordOrder.values(), WordOrder::name, entry.order(), this::order);
    text(
        "one step",
        number(entry.scale()),
        t -> change(entry.name(), entry.address(), number("one step", t), entry.offset()));
    text(
        "at raw 0",
        number(entry.offset()),
        t -> change(entry.name(), entry.address(), entry.scale(), number("at raw 0", t)));
    text("unit", entry.unit(), this::unit);
    text("least", number(entry.minimum()), t -> range(number("least", t), entry.maximum()));
    text("most", number(entry.maximum()), t -> range(entry.minimum(), number("most", t)));
    choice("access", Access.values(), Access::label, entry.access(), this::access);
    text("group", entry.group(), this::group);
    choice("role", RegisterRole.values(), RegisterRole::label, entry.role(), this::role);
    getChildren()
        .addAll(
            Parts.row(
                8,
                Parts.label(entry.name(), "ink-title"),
                Parts.spring(),
                Parts.quiet("register-close", "close", close)),
            grid,
            Parts.quiet("register-remove", "remove this register", remove));
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
    grid.addRow(row++, Parts.label(name, "ink-label"), field);
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
    grid.addRow(row++, Parts.label(name, "ink-label"), field);
  }

  private void tried(Change change, String text) {
    try {
      change.to(text);
    } catch (IllegalArgumentException e) {
      refuse.accept(e.getMessage());
    }
  }

  private void change(String name, int address, double scale, double offset) {
    take.accept(
        new RegisterEntry(
            name,
            entry.table(),
            address,
            entry.type(),
            entry.order(),
            scale,
            offset,
            entry.unit(),
            entry.minimum(),
            entry.maximum(),
            entry.access(),
            entry.group(),
            entry.role()));
  }

  private void typed(RegisterTable table, RegisterType type, WordOrder order, Access access) {
    take.accept(
        new RegisterEntry(
            entry.name(),
            table,
            entry.address(),
            type,
            order,
            entry.scale(),
            entry.offset(),
            entry.unit(),
            entry.minimum(),
            entry.maximum(),
            access,
            entry.group(),
            entry.role()));
  }

  private void table(RegisterTable table) {
    RegisterType type =
        table.isBits()
            ? RegisterType.BIT
            : entry.type() == RegisterType.BIT ? RegisterType.UNSIGNED_16 : entry.type();
    typed(table, type, entry.order(), entry.access());
  }

  private void type(RegisterType type) {
    typed(entry.table(), type, entry.order(), entry.access());
  }

  private void order(WordOrder order) {
    typed(entry.table(), entry.type(), order, entry.access());
  }

  private void access(Access access) {
    typed(entry.table(), entry.type(), entry.order(), access);
  }

  private void meant(String unit, double least, double most, String group, RegisterRole role) {
    take.accept(
        new RegisterEntry(
            entry.name(),
            entry.table(),
            entry.address(),
            entry.type(),
            entry.order(),
            entry.scale(),
            entry.offset(),
            unit,
            least,
            most,
            entry.access(),
            group,
            role));
  }

  private void unit(String unit) {
    meant(unit, entry.minimum(), entry.maximum(), entry.group(), entry.role());
  }

  private void range(double least, double most) {
    meant(entry.unit(), least, most, entry.group(), entry.role());
  }

  private void group(String group) {
    meant(entry.unit(), entry.minimum(), entry.maximum(), group, entry.role());
  }

  private void role(RegisterRole role) {
    meant(entry.unit(), entry.minimum(), entry.maximum(), entry.group(), role);
  }
}
