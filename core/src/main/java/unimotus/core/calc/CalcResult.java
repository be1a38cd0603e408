package unimotus.core.calc;

import unimotus.core.derivation.Derivation;
import unimotus.core.quantity.MeasureUnit;

/**
 * What a calculator found.
 *
 * @param value the result in {@code unit}
 * @param unit its unit
 * @param derivation the sum
 * @param source the authority of the formula
 * @param remark what the number says in words, possibly empty
 */
public record CalcResult(
    double value, MeasureUnit unit, Derivation derivation, String source, String remark) {}
