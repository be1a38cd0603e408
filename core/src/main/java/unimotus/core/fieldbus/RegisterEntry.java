package unimotus.core.fieldbus;

import java.util.function.UnaryOperator;
import unimotus.core.value.DriveValue;
import unimotus.core.value.DriveValueBuilder;
import unimotus.core.value.HeldValue;
import unimotus.core.value.Limits;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.Scaling;
import unimotus.core.value.ValueRole;
import unimotus.core.value.ValueType;

/**
 * One value of a register map.
 *
 * @param value what it is
 * @param place where it stands
 */
public record RegisterEntry(DriveValue value, RegisterPlace place) implements PlacedValue {

  /** Checks what no device can have. */
  public RegisterEntry {
    if (place.address() + value.type().words() > 0x10000) {
      throw new IllegalArgumentException(
          "%s: address %d with %d registers lies outside 0 to 65535"
              .formatted(value.name(), place.address(), value.type().words()));
    }
    if (place.table().isBits() != (value.type() == ValueType.BIT)) {
      throw new IllegalArgumentException(
          "%s: a %s does not hold a %s"
              .formatted(value.name(), place.table().label(), value.type().label()));
    }
  }

  /** The table it stands in. */
  public RegisterTable table() {
    return place.table();
  }

  /** Where it begins, counted from 0 as on the wire. */
  public int address() {
    return place.address();
  }

  /** How its words lie on the wire. */
  public WordOrder order() {
    return place.order();
  }

  /** What is read together; possibly empty. */
  public String group() {
    return place.group();
  }

  /** The first address after it. */
  public int end() {
    return place.address() + value.type().words();
  }

  /** What words that came over the wire say. */
  public HeldValue read(int[] words) {
    int[] arranged = place.arrange(type(), words);
    return type().isText()
        ? new HeldValue.Text(type().text(arranged))
        : new HeldValue.Number(value.scaling().value(type().decode(arranged)));
  }

  /** The value of words that came over the wire; not a number for text. */
  public double value(int[] words) {
    return read(words) instanceof HeldValue.Number number ? number.value() : Double.NaN;
  }

  /**
   * The words of a value.
   *
   * @throws IllegalArgumentException where it does not fit
   */
  public int[] words(double number) {
    try {
      return place.arrange(type(), type().encode(value.scaling().raw(number)));
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException("%s: %s".formatted(name(), e.getMessage()));
    }
  }

  /** The words of what is held there, or of what is nearest to it and fits. */
  public int[] words(HeldValue held) {
    return held instanceof HeldValue.Text text
        ? place.arrange(type(), type().encode(text.text()))
        : heldWords(((HeldValue.Number) held).value());
  }

  /** The words of the value nearest to this one that its type holds. */
  public int[] heldWords(double number) {
    return place.arrange(type(), type().encode(value.heldRaw(number)));
  }

  @Override
  public String sign() {
    String five = Notation.FIVE_DIGITS.write(table(), address());
    return five.equals("–") ? Notation.SIX_DIGITS.write(table(), address()) : five;
  }

  @Override
  public String where() {
    String place =
        "%s %d = %s, %s"
            .formatted(
                table().label(),
                address(),
                Notation.FIVE_DIGITS.write(table(), address()),
                value.name());
    String step = value.step();
    return step.isEmpty() ? place : "%s, %s".formatted(place, step);
  }

  /** This entry with a changed value. */
  public RegisterEntry with(UnaryOperator<DriveValueBuilder> change) {
    return new RegisterEntry(change.apply(DriveValueBuilder.builder(value)).build(), place);
  }

  /** This entry with another role. */
  public RegisterEntry with(ValueRole next) {
    return new RegisterEntry(value.withRole(next), place);
  }

  /** This entry with other limits of what is meant. */
  public RegisterEntry within(double least, double most) {
    return new RegisterEntry(value.withLimits(new Limits(least, most)), place);
  }

  /** This entry with another step. */
  public RegisterEntry withScale(double next) {
    return withScaling(next, unit());
  }

  /** This entry with another step in another unit. */
  public RegisterEntry withScaling(double scale, String unit) {
    return new RegisterEntry(value.withScaling(new Scaling(scale, offset(), unit)), place);
  }

  /** This entry at another address. */
  public RegisterEntry at(int next) {
    return at(place.withAddress(next));
  }

  /** This entry at another place. */
  public RegisterEntry at(RegisterPlace next) {
    return new RegisterEntry(value, next);
  }
}
