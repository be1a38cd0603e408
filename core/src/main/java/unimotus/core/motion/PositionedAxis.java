package unimotus.core.motion;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import org.hipparchus.fraction.BigFraction;
import unimotus.core.derivation.Derivation;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.MotionDesign;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.scaling.Holder;
import unimotus.core.scaling.PositionPath;
import unimotus.core.scaling.ScalingCopies;

/** An axis that is told positions, whatever motor it has. */
public interface PositionedAxis {
  /** Digits of a feed that is not a plain number, such as the circumference of a drum. */
  MathContext FEED = new MathContext(12);

  /** Gears are taken as fractions of whole numbers up to it. */
  int GEAR_DENOMINATOR = 100_000;

  /** The axis. */
  Axis axis();

  /** What it is to do. */
  MotionDesign design();

  /** What is really there, as one copy of the scaling. */
  AxisScaling machine();

  /** All copies of its scaling. */
  ScalingCopies copies();

  /** Who holds copies of it, in the order from the machine to the program. */
  List<Holder> holders();

  /** What the counts of its copies are called. */
  String counted();

  /** The way of its positions, in the machine's own scaling. */
  default PositionPath path() {
    return new PositionPath(machine());
  }

  /** How counts for one unit come about. */
  default Derivation sum() {
    return path().sum();
  }

  /** This axis with something else to do. */
  PositionedAxis with(MotionDesign next);

  /** The unit of its positions. */
  default MeasureUnit unit() {
    return axis().mechanics().travelUnit();
  }

  /** So many counts a turn of the motor on mechanics. */
  static AxisScaling scaling(int countsPerTurn, Mechanics mechanics) {
    BigFraction gear = new BigFraction(mechanics.gearRatio(), GEAR_DENOMINATOR);
    return new AxisScaling(
        countsPerTurn,
        1,
        gear.getNumerator().longValueExact(),
        gear.getDenominator().longValueExact(),
        new BigDecimal(mechanics.travelPerTurn()).round(FEED),
        1,
        mechanics.travelUnit(),
        false,
        MeasureUnit.SECOND_UNIT);
  }
}
