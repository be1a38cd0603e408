package unimotus.core.quantity;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The units an engineer of the trade types and reads, each with its symbol and the other spellings
 * that are accepted.
 *
 * <p>A factor is the unit in the coherent SI unit of its dimension; a tenth or a millionth of it is
 * written as such. The customary units are defined exactly (inch 25.4 mm, pound-force
 * 4.4482216152605 N). The tests hold every factor against a unit library (JSR 385), which a start
 * of the program does not have to wait for.
 */
public enum MeasureUnit {
  ONE("", Dimension.RATIO, 1),
  PERCENT("%", Dimension.RATIO, 0.01),
  COUNTS("counts", Dimension.COUNT, 1, "count"),
  HERTZ_UNIT("Hz", Dimension.FREQUENCY, 1),
  KILOHERTZ("kHz", Dimension.FREQUENCY, 1000),
  RPM("rpm", Dimension.ROTATION, 2 * Math.PI / 60, "r/min", "1/min", "min-1", "min⁻¹"),
  REVOLUTIONS_PER_SECOND("rev/s", Dimension.ROTATION, 2 * Math.PI),
  RADIANS_PER_SECOND("rad/s", Dimension.ROTATION, 1),
  METRES_PER_MINUTE("m/min", Dimension.SPEED, 1.0 / 60),
  METRES_PER_SECOND("m/s", Dimension.SPEED, 1),
  MILLIMETRES_PER_SECOND("mm/s", Dimension.SPEED, 0.001),
  FEET_PER_MINUTE("ft/min", Dimension.SPEED, 0.3048 / 60, "fpm"),
  INCHES_PER_SECOND("in/s", Dimension.SPEED, 0.0254),
  PER_MINUTE("/min", Dimension.RATE, 1.0 / 60),
  PER_HOUR("/h", Dimension.RATE, 1.0 / 3600),
  AMPERE_UNIT("A", Dimension.CURRENT, 1),
  MILLIAMPERE("mA", Dimension.CURRENT, 0.001),
  VOLT_UNIT("V", Dimension.VOLTAGE, 1),
  MILLIVOLT("mV", Dimension.VOLTAGE, 0.001),
  WATT_UNIT("W", Dimension.POWER, 1),
  KILOWATT("kW", Dimension.POWER, 1000),
  /** Mechanical horsepower, 550 ft·lbf/s. */
  HORSEPOWER("hp", Dimension.POWER, 745.6998715822702, "HP"),
  NEWTON_METRE("N·m", Dimension.TORQUE, 1, "Nm", "N*m", "N.m"),
  POUND_FOOT("lbf·ft", Dimension.TORQUE, 1.3558179483314004, "lb-ft", "lbft"),
  POUND_INCH("lbf·in", Dimension.TORQUE, 0.1129848290276167, "lb-in", "lbin"),
  NEWTON_UNIT("N", Dimension.FORCE, 1),
  KILOGRAM_SQUARE_METRE("kg·m²", Dimension.INERTIA, 1, "kgm2", "kg*m2", "kg.m2", "kg·m2", "kgm²"),
  KILOGRAM_UNIT("kg", Dimension.MASS, 1),
  POUND("lb", Dimension.MASS, 0.45359237),
  SECOND_UNIT("s", Dimension.TIME, 1),
  MILLISECOND("ms", Dimension.TIME, 0.001),
  MINUTE_UNIT("min", Dimension.TIME, 60),
  HOUR_UNIT("h", Dimension.TIME, 3600),
  /** 8760 hours, as failure rates count it. */
  YEAR_UNIT("years", Dimension.TIME, 8760 * 3600.0),
  METRE_UNIT("m", Dimension.LENGTH, 1),
  MILLIMETRE("mm", Dimension.LENGTH, 0.001),
  MICROMETRE("µm", Dimension.LENGTH, 1e-6, "um"),
  INCH("in", Dimension.LENGTH, 0.0254),
  FOOT("ft", Dimension.LENGTH, 0.3048),
  REVOLUTION("rev", Dimension.ANGLE, 2 * Math.PI, "turns", "turn"),
  DEGREE("°", Dimension.ANGLE, Math.PI / 180, "deg"),
  METRES_PER_SECOND_SQUARED("m/s²", Dimension.ACCELERATION, 1, "m/s2"),
  MILLIMETRES_PER_SECOND_SQUARED("mm/s²", Dimension.ACCELERATION, 0.001, "mm/s2"),
  OHM_UNIT("Ω", Dimension.RESISTANCE, 1, "ohm", "R"),
  KILOHM("kΩ", Dimension.RESISTANCE, 1000, "kohm"),
  HENRY_UNIT("H", Dimension.INDUCTANCE, 1),
  MILLIHENRY("mH", Dimension.INDUCTANCE, 0.001),
  MICROFARAD("µF", Dimension.CAPACITANCE, 1e-6, "uF"),
  SQUARE_MILLIMETRE("mm²", Dimension.AREA, 1e-6, "mm2"),
  BAR("bar", Dimension.PRESSURE, 100_000),
  KILOPASCAL("kPa", Dimension.PRESSURE, 1000),
  PSI("psi", Dimension.PRESSURE, 6894.757293168361),
  JOULE_UNIT("J", Dimension.ENERGY, 1);

  private final String symbol;
  private final Dimension dimension;
  private final double factor;
  private final List<String> aliases;

  MeasureUnit(String symbol, Dimension dimension, double factor, String... aliases) {
    this.symbol = symbol;
    this.dimension = dimension;
    this.factor = factor;
    this.aliases = List.of(aliases);
  }

  /** The symbol as written after a number; empty for a plain ratio. */
  public String symbol() {
    return symbol;
  }

  /** What this unit measures. */
  public Dimension dimension() {
    return dimension;
  }

  /**
   * Converts {@code value} given in this unit to {@code target}.
   *
   * @throws UnitMismatch where the dimensions differ
   */
  public double convert(double value, MeasureUnit target) {
    if (target.dimension != dimension) {
      throw new UnitMismatch(this, target.dimension);
    }
    return target == this ? value : value * (factor / target.factor);
  }

  /** The unit written {@code text}, in its symbol or another spelling; empty where none is. */
  public static Optional<MeasureUnit> ofSymbol(String text) {
    Optional<MeasureUnit> exact = Arrays.stream(values()).filter(u -> u.spelled(text)).findFirst();
    return exact.isPresent() ? exact : ofSymbolAnyCase(text);
  }

  /**
   * Case matters only where it tells two units apart (mW and MW); else "RPM" is as good as "rpm".
   */
  private static Optional<MeasureUnit> ofSymbolAnyCase(String text) {
    List<MeasureUnit> near =
        Arrays.stream(values())
            .filter(u -> u.spelledAnyCase(text.toLowerCase(Locale.ROOT)))
            .toList();
    return near.size() == 1 ? Optional.of(near.get(0)) : Optional.empty();
  }

  /** All units of one dimension, in the order they are declared. */
  public static List<MeasureUnit> of(Dimension dimension) {
    return Arrays.stream(values()).filter(u -> u.dimension == dimension).toList();
  }

  private boolean spelled(String text) {
    return symbol.equals(text) || aliases.contains(text);
  }

  private boolean spelledAnyCase(String lower) {
    return symbol.toLowerCase(Locale.ROOT).equals(lower)
        || aliases.stream().anyMatch(a -> a.toLowerCase(Locale.ROOT).equals(lower));
  }
}
