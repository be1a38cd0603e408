package unimotus.core.scaling;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.math.BigDecimal;
import org.hipparchus.fraction.BigFraction;
import unimotus.core.quantity.Dimension;
import unimotus.core.quantity.MeasureUnit;

/**
 * One copy of the scaling of an axis, in whole numbers as it is entered (objects 0x608F, 0x6091,
 * 0x6092 and 0x607E of IEC 61800-7-201, from memory).
 *
 * @param counts counts of the encoder in {@code encoderTurns}
 * @param encoderTurns turns of the motor they are counted in, usually 1
 * @param motorTurns turns of the motor for {@code loadTurns}
 * @param loadTurns turns of the gear's output
 * @param feed travel for {@code feedTurns} of the gear's output, in {@code unit}; over 0
 * @param feedTurns turns of the gear's output that make it
 * @param unit what the feed is counted in: a length, an angle, or a plain count
 * @param reversed whether positive positions count backwards
 * @param time what a speed is counted in, second or minute
 */
@RecordBuilder
public record AxisScaling(
    long counts,
    long encoderTurns,
    long motorTurns,
    long loadTurns,
    BigDecimal feed,
    long feedTurns,
    MeasureUnit unit,
    boolean reversed,
    MeasureUnit time)
    implements AxisScalingBuilder.With {

  /** Beyond it no register of 32 bits holds an entry. */
  private static final long MOST = 0xFFFF_FFFFL;

  /** Checks the numbers. */
  public AxisScaling {
    whole("encoder counts", counts);
    whole("encoder turns", encoderTurns);
    whole("motor turns of the gear", motorTurns);
    whole("load turns of the gear", loadTurns);
    whole("turns of the feed", feedTurns);
    if (feed.signum() <= 0) {
      throw new IllegalArgumentException("scaling: feed must be over 0, not " + feed);
    }
    if (unit.dimension() != Dimension.LENGTH
        && unit.dimension() != Dimension.ANGLE
        && unit != MeasureUnit.ONE) {
      throw new IllegalArgumentException(
          "scaling: the unit must be a length, an angle or a count, not " + unit.symbol());
    }
    if (time != MeasureUnit.SECOND_UNIT && time != MeasureUnit.MINUTE_UNIT) {
      throw new IllegalArgumentException(
          "scaling: speeds are counted a second or a minute, not a " + time.symbol());
    }
    feed = feed.stripTrailingZeros();
  }

  /** Counts a turn, no gear, a feed a turn. */
  public static AxisScaling direct(long counts, BigDecimal feed, MeasureUnit unit) {
    return new AxisScaling(counts, 1, 1, 1, feed, 1, unit, false, MeasureUnit.SECOND_UNIT);
  }

  private static void whole(String what, long value) {
    if (value < 1 || value > MOST) {
      throw new IllegalArgumentException(
          "scaling: %s must be 1 to %d, not %d".formatted(what, MOST, value));
    }
  }

  /** Counts a turn of the motor. */
  public BigFraction countsPerTurn() {
    return new BigFraction(counts).divide(encoderTurns);
  }

  /** Motor turns for one turn of the gear's output. */
  public BigFraction gear() {
    return new BigFraction(motorTurns).divide(loadTurns);
  }

  /** Travel for one turn of the gear's output, in {@link #unit}. */
  public BigFraction feedPerTurn() {
    return exact(feed).divide(feedTurns);
  }

  /** Counts for one unit of travel, not negative: counts a turn · gear / feed. */
  public BigFraction countsPerUnit() {
    return countsPerTurn().multiply(gear()).divide(feedPerTurn());
  }

  /** Counts for one unit of travel as a number, negative where positions count backwards. */
  public double signedCountsPerUnit() {
    double size = countsPerUnit().doubleValue();
    return reversed ? -size : size;
  }

  /** The travel of one count, in {@link #unit}. */
  public double resolution() {
    return countsPerUnit().reciprocal().doubleValue();
  }

  /** The farthest position either way that a signed number of 32 bits holds, in {@link #unit}. */
  public double farthest() {
    return Integer.MAX_VALUE * resolution();
  }

  static BigFraction exact(BigDecimal value) {
    return value.scale() <= 0
        ? new BigFraction(value.toBigIntegerExact())
        : new BigFraction(value.unscaledValue(), java.math.BigInteger.TEN.pow(value.scale()));
  }
}
