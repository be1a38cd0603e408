package unimotus.core.calc;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/**
 * One number a calculator asks for.
 *
 * @param name the key, such as {@code frequency}
 * @param about what it is
 * @param unit the unit meant where none is typed
 * @param fallback the value taken where none is given, null where it must be given
 * @param least least value that makes sense, in {@code unit}
 * @param most greatest value that makes sense, in {@code unit}
 * @param overLeast whether the least value itself makes no sense
 */
public record Parameter(
    String name,
    String about,
    MeasureUnit unit,
    @Nullable Double fallback,
    double least,
    double most,
    boolean overLeast) {

  static Parameter of(String name, String about, MeasureUnit unit) {
    return new Parameter(name, about, unit, null, 0, most(unit), false);
  }

  static Parameter of(String name, String about, MeasureUnit unit, double fallback) {
    return new Parameter(name, about, unit, fallback, 0, most(unit), false);
  }

  static Parameter signed(String name, String about, MeasureUnit unit) {
    return new Parameter(name, about, unit, null, -most(unit), most(unit), false);
  }

  /** A number by which something is divided: zero makes no sense. */
  static Parameter positive(String name, String about, MeasureUnit unit) {
    return new Parameter(name, about, unit, null, 0, most(unit), true);
  }

  /** A part of a whole: over nothing, at most all of it. */
  static Parameter share(String name, String about, MeasureUnit unit) {
    double whole = unit == MeasureUnit.PERCENT ? 100 : 1;
    return new Parameter(name, about, unit, null, 0, whole, true);
  }

  /** A plain number between two limits. */
  static Parameter within(String name, String about, double least, double most, double fallback) {
    return new Parameter(name, about, MeasureUnit.ONE, fallback, least, most, false);
  }

  /** Beyond any machine this is for; what is larger was typed wrong. */
  private static double most(MeasureUnit unit) {
    if (unit == MeasureUnit.PERCENT) {
      return 1000;
    }
    return switch (unit.dimension()) {
      case RATIO, ROTATION, FREQUENCY, VOLTAGE, CURRENT -> 1e6;
      case COUNT -> 1e10;
      default -> 1e9;
    };
  }

  /** What is wrong with a value, in words; empty where it makes sense. */
  Optional<String> fault(double value) {
    if (value < least || value > most || (overLeast && value == least)) {
      String from = QuantityFormat.PLAIN.number(least);
      return Optional.of(
          "must be %s %s and at most %s"
              .formatted(
                  overLeast ? "over" : "at least", from, QuantityFormat.PLAIN.text(most, unit)));
    }
    return Optional.empty();
  }
}
