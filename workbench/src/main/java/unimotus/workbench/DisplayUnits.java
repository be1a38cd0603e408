package unimotus.workbench;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import unimotus.core.quantity.Dimension;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.quantity.QuantityText;

/**
 * The units and the decimal mark the reader wants. Immutable.
 *
 * @param chosen the unit for each dimension that is not shown in the unit it is kept in
 * @param decimalMark a point or a comma
 */
public record DisplayUnits(Map<Dimension, MeasureUnit> chosen, char decimalMark) {
  /** Units as kept, decimal point. */
  public static final DisplayUnits METRIC = new DisplayUnits(Map.of(), '.');

  /** The dimensions that can be switched, with what they can be switched to. */
  public static final Map<Dimension, List<MeasureUnit>> SWITCHABLE =
      Map.of(
          Dimension.SPEED,
          List.of(
              MeasureUnit.METRES_PER_MINUTE,
              MeasureUnit.METRES_PER_SECOND,
              MeasureUnit.FEET_PER_MINUTE,
              MeasureUnit.INCHES_PER_SECOND),
          Dimension.ROTATION,
          List.of(
              MeasureUnit.RPM, MeasureUnit.REVOLUTIONS_PER_SECOND, MeasureUnit.RADIANS_PER_SECOND),
          Dimension.LENGTH,
          List.of(MeasureUnit.METRE_UNIT, MeasureUnit.MILLIMETRE, MeasureUnit.INCH),
          Dimension.POWER,
          List.of(MeasureUnit.KILOWATT, MeasureUnit.WATT_UNIT, MeasureUnit.HORSEPOWER),
          Dimension.TORQUE,
          List.of(MeasureUnit.NEWTON_METRE, MeasureUnit.POUND_FOOT, MeasureUnit.POUND_INCH),
          Dimension.CURRENT,
          List.of(MeasureUnit.AMPERE_UNIT, MeasureUnit.MILLIAMPERE),
          Dimension.TIME,
          List.of(MeasureUnit.SECOND_UNIT, MeasureUnit.MILLISECOND));

  private static final int DIGITS = 5;

  /** Takes a copy. */
  public DisplayUnits {
    chosen = chosen.isEmpty() ? Map.of() : Map.copyOf(new EnumMap<>(chosen));
  }

  /** These units with one dimension switched. */
  public DisplayUnits with(MeasureUnit unit) {
    Map<Dimension, MeasureUnit> next = new EnumMap<>(Dimension.class);
    next.putAll(chosen);
    next.put(unit.dimension(), unit);
    return new DisplayUnits(next, decimalMark);
  }

  /** These units with another decimal mark. */
  public DisplayUnits withDecimalMark(char mark) {
    return new DisplayUnits(chosen, mark);
  }

  /**
   * The unit a value kept in {@code unit} is shown in. Signals in milliamps and volts stay as they
   * are.
   */
  public MeasureUnit shown(MeasureUnit unit) {
    return unit == MeasureUnit.MILLIAMPERE ? unit : chosen.getOrDefault(unit.dimension(), unit);
  }

  /** The number alone, in the shown unit. */
  public String number(double value, MeasureUnit unit) {
    return format().number(unit.convert(value, shown(unit)));
  }

  /** The number with its unit. */
  public String text(double value, MeasureUnit unit) {
    return format().text(unit.convert(value, shown(unit)), shown(unit));
  }

  /** The format without units. */
  public QuantityFormat format() {
    return new QuantityFormat(decimalMark, DIGITS);
  }

  /**
   * Reads what was typed; without a unit, the shown one is meant.
   *
   * @return the value in {@code unit}
   * @throws IllegalArgumentException naming the thing, the text and what is wrong
   */
  public double parse(String name, String text, MeasureUnit unit) {
    return QuantityText.parse(name, text, shown(unit), decimalMark).in(unit);
  }
}
