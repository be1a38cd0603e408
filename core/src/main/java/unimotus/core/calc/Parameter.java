package unimotus.core.calc;

import org.jspecify.annotations.Nullable;
import unimotus.core.quantity.MeasureUnit;

/**
 * One number a calculator asks for.
 *
 * @param name the key, such as {@code frequency}
 * @param about what it is
 * @param unit the unit meant where none is typed
 * @param fallback the value taken where none is given, null where it must be given
 * @param negative whether a negative number makes sense
 */
public record Parameter(
    String name, String about, MeasureUnit unit, @Nullable Double fallback, boolean negative) {

  static Parameter of(String name, String about, MeasureUnit unit) {
    return new Parameter(name, about, unit, null, false);
  }

  static Parameter of(String name, String about, MeasureUnit unit, double fallback) {
    return new Parameter(name, about, unit, fallback, false);
  }

  static Parameter signed(String name, String about, MeasureUnit unit) {
    return new Parameter(name, about, unit, null, true);
  }
}
