package unimotus.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static tech.units.indriya.unit.Units.AMPERE;
import static tech.units.indriya.unit.Units.FARAD;
import static tech.units.indriya.unit.Units.HENRY;
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

import java.util.EnumMap;
import java.util.Map;
import javax.measure.MetricPrefix;
import javax.measure.Unit;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import tech.units.indriya.AbstractUnit;

/** Every factor against what a unit library (JSR 385) derives from the definition of the unit. */
class UnitLibraryTest {
  private static final Unit<?> POUND_FORCE = NEWTON.multiply(4.4482216152605);
  private static final Unit<?> INCH = METRE.multiply(0.0254);
  private static final Unit<?> FOOT = INCH.multiply(12);
  private static final Unit<?> TURN = RADIAN.multiply(2 * Math.PI);
  private static final Map<MeasureUnit, Unit<?>> DEFINED = new EnumMap<>(MeasureUnit.class);

  static {
    ofRatiosAndTurns();
    ofMotion();
    ofElectricity();
    ofMechanics();
  }

  private static void ofRatiosAndTurns() {
    DEFINED.put(MeasureUnit.ONE, AbstractUnit.ONE);
    DEFINED.put(MeasureUnit.PERCENT, AbstractUnit.ONE.divide(100));
    DEFINED.put(MeasureUnit.COUNTS, AbstractUnit.ONE);
    DEFINED.put(MeasureUnit.HERTZ_UNIT, HERTZ);
    DEFINED.put(MeasureUnit.KILOHERTZ, MetricPrefix.KILO(HERTZ));
    DEFINED.put(MeasureUnit.RPM, TURN.divide(MINUTE));
    DEFINED.put(MeasureUnit.REVOLUTIONS_PER_SECOND, TURN.divide(SECOND));
    DEFINED.put(MeasureUnit.RADIANS_PER_SECOND, RADIAN.divide(SECOND));
    DEFINED.put(MeasureUnit.PER_MINUTE, AbstractUnit.ONE.divide(MINUTE));
    DEFINED.put(MeasureUnit.PER_HOUR, AbstractUnit.ONE.divide(HOUR));
    DEFINED.put(MeasureUnit.REVOLUTION, TURN);
    DEFINED.put(MeasureUnit.DEGREE, TURN.divide(360));
  }

  private static void ofMotion() {
    DEFINED.put(MeasureUnit.METRES_PER_MINUTE, METRE.divide(MINUTE));
    DEFINED.put(MeasureUnit.METRES_PER_SECOND, METRE.divide(SECOND));
    DEFINED.put(MeasureUnit.MILLIMETRES_PER_SECOND, MetricPrefix.MILLI(METRE).divide(SECOND));
    DEFINED.put(MeasureUnit.FEET_PER_MINUTE, FOOT.divide(MINUTE));
    DEFINED.put(MeasureUnit.INCHES_PER_SECOND, INCH.divide(SECOND));
    DEFINED.put(MeasureUnit.SECOND_UNIT, SECOND);
    DEFINED.put(MeasureUnit.MILLISECOND, MetricPrefix.MILLI(SECOND));
    DEFINED.put(MeasureUnit.MINUTE_UNIT, MINUTE);
    DEFINED.put(MeasureUnit.HOUR_UNIT, HOUR);
    DEFINED.put(MeasureUnit.YEAR_UNIT, HOUR.multiply(24).multiply(365));
    DEFINED.put(MeasureUnit.METRE_UNIT, METRE);
    DEFINED.put(MeasureUnit.MILLIMETRE, MetricPrefix.MILLI(METRE));
    DEFINED.put(MeasureUnit.MICROMETRE, MetricPrefix.MICRO(METRE));
    DEFINED.put(MeasureUnit.INCH, INCH);
    DEFINED.put(MeasureUnit.FOOT, FOOT);
    DEFINED.put(MeasureUnit.METRES_PER_SECOND_SQUARED, METRE.divide(SECOND.pow(2)));
    DEFINED.put(
        MeasureUnit.MILLIMETRES_PER_SECOND_SQUARED,
        MetricPrefix.MILLI(METRE).divide(SECOND.pow(2)));
  }

  private static void ofElectricity() {
    DEFINED.put(MeasureUnit.AMPERE_UNIT, AMPERE);
    DEFINED.put(MeasureUnit.MILLIAMPERE, MetricPrefix.MILLI(AMPERE));
    DEFINED.put(MeasureUnit.VOLT_UNIT, VOLT);
    DEFINED.put(MeasureUnit.MILLIVOLT, MetricPrefix.MILLI(VOLT));
    DEFINED.put(MeasureUnit.OHM_UNIT, OHM);
    DEFINED.put(MeasureUnit.KILOHM, MetricPrefix.KILO(OHM));
    DEFINED.put(MeasureUnit.HENRY_UNIT, HENRY);
    DEFINED.put(MeasureUnit.MILLIHENRY, MetricPrefix.MILLI(HENRY));
    DEFINED.put(MeasureUnit.MICROFARAD, MetricPrefix.MICRO(FARAD));
    DEFINED.put(MeasureUnit.WATT_UNIT, WATT);
    DEFINED.put(MeasureUnit.KILOWATT, MetricPrefix.KILO(WATT));
    DEFINED.put(MeasureUnit.JOULE_UNIT, JOULE);
  }

  private static void ofMechanics() {
    DEFINED.put(MeasureUnit.HORSEPOWER, FOOT.multiply(POUND_FORCE).multiply(550).divide(SECOND));
    DEFINED.put(MeasureUnit.NEWTON_METRE, NEWTON.multiply(METRE));
    DEFINED.put(MeasureUnit.POUND_FOOT, POUND_FORCE.multiply(FOOT));
    DEFINED.put(MeasureUnit.POUND_INCH, POUND_FORCE.multiply(INCH));
    DEFINED.put(MeasureUnit.NEWTON_UNIT, NEWTON);
    DEFINED.put(MeasureUnit.KILOGRAM_SQUARE_METRE, KILOGRAM.multiply(METRE.pow(2)));
    DEFINED.put(MeasureUnit.KILOGRAM_UNIT, KILOGRAM);
    DEFINED.put(MeasureUnit.POUND, KILOGRAM.multiply(0.45359237));
    DEFINED.put(MeasureUnit.SQUARE_MILLIMETRE, MetricPrefix.MILLI(METRE).pow(2));
    DEFINED.put(MeasureUnit.BAR, PASCAL.multiply(100_000));
    DEFINED.put(MeasureUnit.KILOPASCAL, MetricPrefix.KILO(PASCAL));
    DEFINED.put(MeasureUnit.PSI, POUND_FORCE.divide(INCH.pow(2)));
  }

  @ParameterizedTest
  @EnumSource(MeasureUnit.class)
  void everyFactorIsTheLibrarys(MeasureUnit unit) throws Exception {
    for (MeasureUnit other : MeasureUnit.of(unit.dimension())) {
      double expected = DEFINED.get(unit).getConverterToAny(DEFINED.get(other)).convert(1.0);
      assertThat(unit.convert(1, other))
          .as("1 %s in %s", unit.symbol(), other.symbol())
          .isCloseTo(expected, within(1e-12 * expected));
    }
  }
}
