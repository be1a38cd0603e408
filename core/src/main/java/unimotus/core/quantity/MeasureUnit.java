package unimotus.core.quantity;

import static tech.units.indriya.unit.Units.AMPERE;
import static tech.units.indriya.unit.Units.HERTZ;
import static tech.units.indriya.unit.Units.HOUR;
import static tech.units.indriya.unit.Units.JOULE;
import static tech.units.indriya.unit.Units.KILOGRAM;
import static tech.units.indriya.unit.Units.METRE;
import static tech.units.indriya.unit.Units.MINUTE;
import static tech.units.indriya.unit.Units.NEWTON;
import static tech.units.indriya.unit.Units.OHM;
import static tech.units.indriya.unit.Units.PASCAL;
import static tech.units.indriya.unit.Units.RADIAN;
import static tech.units.indriya.unit.Units.SECOND;
import static tech.units.indriya.unit.Units.VOLT;
import static tech.units.indriya.unit.Units.WATT;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javax.measure.IncommensurableException;
import javax.measure.MetricPrefix;
import javax.measure.Unit;
import tech.units.indriya.AbstractUnit;

/**
 * The units an engineer of the trade types and reads, each with its symbol and the other spellings
 * that are accepted.
 *
 * <p>Factors are derived by the JSR 385 unit library from the definitions given here; the customary
 * units are defined exactly (inch 25.4 mm, pound-force 4.4482216152605 N).
 */
public enum MeasureUnit {
  ONE("", Dimension.RATIO, AbstractUnit.ONE),
  PERCENT("%", Dimension.RATIO, AbstractUnit.ONE.divide(100)),
  COUNTS("counts", Dimension.COUNT, AbstractUnit.ONE, "count"),
  HERTZ_UNIT("Hz", Dimension.FREQUENCY, HERTZ),
  KILOHERTZ("kHz", Dimension.FREQUENCY, MetricPrefix.KILO(HERTZ)),
  RPM(
      "rpm",
      Dimension.ROTATION,
      RADIAN.divide(SECOND).multiply(2 * Math.PI).divide(60),
      "r/min",
      "1/min",
      "min-1",
      "min⁻¹"),
  REVOLUTIONS_PER_SECOND("rev/s", Dimension.ROTATION, RADIAN.divide(SECOND).multiply(2 * Math.PI)),
  RADIANS_PER_SECOND("rad/s", Dimension.ROTATION, RADIAN.divide(SECOND)),
  METRES_PER_MINUTE("m/min", Dimension.SPEED, METRE.divide(MINUTE)),
  METRES_PER_SECOND("m/s", Dimension.SPEED, METRE.divide(SECOND)),
  MILLIMETRES_PER_SECOND("mm/s", Dimension.SPEED, MetricPrefix.MILLI(METRE).divide(SECOND)),
  FEET_PER_MINUTE("ft/min", Dimension.SPEED, METRE.multiply(0.3048).divide(MINUTE), "fpm"),
  INCHES_PER_SECOND("in/s", Dimension.SPEED, METRE.multiply(0.0254).divide(SECOND)),
  PER_MINUTE("/min", Dimension.RATE, AbstractUnit.ONE.divide(MINUTE)),
  PER_HOUR("/h", Dimension.RATE, AbstractUnit.ONE.divide(HOUR)),
  AMPERE_UNIT("A", Dimension.CURRENT, AMPERE),
  MILLIAMPERE("mA", Dimension.CURRENT, MetricPrefix.MILLI(AMPERE)),
  VOLT_UNIT("V", Dimension.VOLTAGE, VOLT),
  MILLIVOLT("mV", Dimension.VOLTAGE, MetricPrefix.MILLI(VOLT)),
  WATT_UNIT("W", Dimension.POWER, WATT),
  KILOWATT("kW", Dimension.POWER, MetricPrefix.KILO(WATT)),
  /** Mechanical horsepower, 550 ft·lbf/s. */
  HORSEPOWER("hp", Dimension.POWER, WATT.multiply(745.6998715822702), "HP"),
  NEWTON_METRE("N·m", Dimension.TORQUE, NEWTON.multiply(METRE), "Nm", "N*m", "N.m"),
  POUND_FOOT(
      "lbf·ft",
      Dimension.TORQUE,
      NEWTON.multiply(METRE).multiply(1.3558179483314004),
      "lb-ft",
      "lbft"),
  POUND_INCH(
      "lbf·in",
      Dimension.TORQUE,
      NEWTON.multiply(METRE).multiply(0.1129848290276167),
      "lb-in",
      "lbin"),
  NEWTON_UNIT("N", Dimension.FORCE, NEWTON),
  KILOGRAM_SQUARE_METRE(
      "kg·m²",
      Dimension.INERTIA,
      KILOGRAM.multiply(METRE).multiply(METRE),
      "kgm2",
      "kg*m2",
      "kg.m2",
      "kg·m2",
      "kgm²"),
  KILOGRAM_UNIT("kg", Dimension.MASS, KILOGRAM),
  POUND("lb", Dimension.MASS, KILOGRAM.multiply(0.45359237)),
  SECOND_UNIT("s", Dimension.TIME, SECOND),
  MILLISECOND("ms", Dimension.TIME, MetricPrefix.MILLI(SECOND)),
  MINUTE_UNIT("min", Dimension.TIME, MINUTE),
  HOUR_UNIT("h", Dimension.TIME, HOUR),
  /** 8760 hours, as failure rates count it. */
  YEAR_UNIT("years", Dimension.TIME, HOUR.multiply(8760)),
  METRE_UNIT("m", Dimension.LENGTH, METRE),
  MILLIMETRE("mm", Dimension.LENGTH, MetricPrefix.MILLI(METRE)),
  MICROMETRE("µm", Dimension.LENGTH, MetricPrefix.MICRO(METRE), "um"),
  INCH("in", Dimension.LENGTH, METRE.multiply(0.0254)),
  FOOT("ft", Dimension.LENGTH, METRE.multiply(0.3048)),
  DEGREE("°", Dimension.ANGLE, RADIAN.multiply(Math.PI / 180), "deg"),
  METRES_PER_SECOND_SQUARED(
      "m/s²", Dimension.ACCELERATION, METRE.divide(SECOND).divide(SECOND), "m/s2"),
  MILLIMETRES_PER_SECOND_SQUARED(
      "mm/s²",
      Dimension.ACCELERATION,
      MetricPrefix.MILLI(METRE).divide(SECOND).divide(SECOND),
      "mm/s2"),
  OHM_UNIT("Ω", Dimension.RESISTANCE, OHM, "ohm", "R"),
  KILOHM("kΩ", Dimension.RESISTANCE, MetricPrefix.KILO(OHM), "kohm"),
  HENRY_UNIT("H", Dimension.INDUCTANCE, tech.units.indriya.unit.Units.HENRY),
  MILLIHENRY("mH", Dimension.INDUCTANCE, MetricPrefix.MILLI(tech.units.indriya.unit.Units.HENRY)),
  MICROFARAD(
      "µF", Dimension.CAPACITANCE, MetricPrefix.MICRO(tech.units.indriya.unit.Units.FARAD), "uF"),
  SQUARE_MILLIMETRE("mm²", Dimension.AREA, METRE.multiply(METRE).divide(1_000_000), "mm2"),
  BAR("bar", Dimension.PRESSURE, PASCAL.multiply(100_000)),
  KILOPASCAL("kPa", Dimension.PRESSURE, MetricPrefix.KILO(PASCAL)),
  PSI("psi", Dimension.PRESSURE, PASCAL.multiply(6894.757293168361)),
  JOULE_UNIT("J", Dimension.ENERGY, JOULE);

  private final String symbol;
  private final Dimension dimension;
  private final double factor;
  private final List<String> aliases;

  MeasureUnit(String symbol, Dimension dimension, Unit<?> definition, String... aliases) {
    this.symbol = symbol;
    this.dimension = dimension;
    this.factor = factorOf(definition);
    this.aliases = List.of(aliases);
  }

  private static double factorOf(Unit<?> definition) {
    try {
      return definition.getConverterToAny(definition.getSystemUnit()).convert(1.0);
    } catch (IncommensurableException e) {
      throw new IllegalStateException("a unit must convert to its own system unit", e);
    }
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
