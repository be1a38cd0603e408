package unimotus.core.value;

import io.soabase.recordbuilder.core.RecordBuilder;
import unimotus.core.quantity.QuantityFormat;

/**
 * A value that a drive shows or takes over a fieldbus, wherever it stands there.
 *
 * @param name what it is
 * @param role what it is to the program
 * @param type what its bits mean
 * @param scaling what one raw step is
 * @param limits what of it is meant
 * @param access whether it may be read and written
 */
@RecordBuilder
public record DriveValue(
    String name, ValueRole role, ValueType type, Scaling scaling, Limits limits, Access access)
    implements DriveValueBuilder.With {

  /** Checks that there is a name. */
  public DriveValue {
    if (name.isBlank()) {
      throw new IllegalArgumentException("a value on the fieldbus needs a name");
    }
  }

  /** A value whose role is told by its name. */
  public static DriveValue named(
      String name, ValueType type, Scaling scaling, Limits limits, Access access) {
    return new DriveValue(name, ValueRole.ofName(name), type, scaling, limits, access);
  }

  /** The value nearest to this one that its type holds. */
  public double held(double value) {
    double a = scaling.value(type.least());
    double b = scaling.value(type.most());
    return Math.max(Math.min(a, b), Math.min(Math.max(a, b), value));
  }

  /** The raw number nearest to this value that its type holds; not rounded. */
  public double heldRaw(double value) {
    return Math.max(type.least(), Math.min(type.most(), scaling.raw(value)));
  }

  /** What stands there, for people: a number with its unit, bits, or text. */
  public String shown(HeldValue held, QuantityFormat format) {
    if (held instanceof HeldValue.Text text) {
      return text.text();
    }
    double value = ((HeldValue.Number) held).value();
    return type == ValueType.BITS_16
        ? "0x%04X".formatted(Math.round(scaling.raw(value)))
        : "%s %s".formatted(format.number(value), scaling.unit()).strip();
  }

  /** What one step of it is, for people; empty where it just counts. */
  public String step() {
    return scaling.unit().isEmpty() && scaling.scale() == 1
        ? ""
        : "one step %s %s"
            .formatted(QuantityFormat.PLAIN.number(scaling.scale()), scaling.unit())
            .strip();
  }
}
