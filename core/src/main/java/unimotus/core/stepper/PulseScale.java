package unimotus.core.stepper;

import java.math.BigDecimal;
import org.hipparchus.fraction.BigFraction;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/**
 * How many pulses are a position, exactly: pulses = travel / travel a turn · gear · pulses a turn.
 *
 * @param fullSteps of the motor a turn
 * @param pulsesPerTurn pulses for a turn of the motor, no whole number of them for a full step
 *     being needed
 * @param gear motor turns for one output turn, over 0
 * @param travelPerTurn travel for an output turn, in {@code unit}, over 0
 * @param unit of the travel
 */
public record PulseScale(
    int fullSteps,
    int pulsesPerTurn,
    BigFraction gear,
    BigDecimal travelPerTurn,
    MeasureUnit unit) {
  private static final int MOST_MICROSTEPS = 1024;

  /**
   * Whole pulses for a travel.
   *
   * @param whole pulses, to the nearest
   * @param missed what is missed of the travel by them, in the unit of the scale; negative where
   *     they go too far
   */
  public record Pulses(long whole, double missed) {}

  /** Checks the numbers. */
  public PulseScale {
    if (fullSteps < 1) {
      throw new IllegalArgumentException("full steps a turn must be 1 or more, not " + fullSteps);
    }
    if (pulsesPerTurn < fullSteps || pulsesPerTurn > fullSteps * MOST_MICROSTEPS) {
      throw new IllegalArgumentException(
          "microsteps must be 1 to %d, not %s: %d pulses a turn of %d full steps"
              .formatted(
                  MOST_MICROSTEPS,
                  QuantityFormat.PLAIN.number((double) pulsesPerTurn / fullSteps),
                  pulsesPerTurn,
                  fullSteps));
    }
    if (gear.signum() <= 0) {
      throw new IllegalArgumentException("gear must be over 0, not " + gear);
    }
    if (travelPerTurn.signum() <= 0) {
      throw new IllegalArgumentException("travel a turn must be over 0, not " + travelPerTurn);
    }
  }

  /** A motor on its screw, belt or table without a gear. */
  public static PulseScale direct(
      int fullSteps, int microsteps, BigDecimal travelPerTurn, MeasureUnit unit) {
    return new PulseScale(fullSteps, fullSteps * microsteps, BigFraction.ONE, travelPerTurn, unit);
  }

  /** Pulses for one unit of travel, as a fraction. */
  public BigFraction pulsesPerUnit() {
    return gear.multiply(pulsesPerTurn()).divide(fraction(travelPerTurn));
  }

  private static BigFraction fraction(BigDecimal value) {
    return value.scale() > 0
        ? new BigFraction(value.unscaledValue(), BigDecimal.TEN.pow(value.scale()).toBigInteger())
        : new BigFraction(value.toBigInteger());
  }

  /**
   * Pulses for a travel.
   *
   * @throws ArithmeticException where they are more than 64 bits hold
   */
  public Pulses pulses(BigDecimal travel) {
    BigFraction exact = fraction(travel).multiply(pulsesPerUnit());
    long whole = nearest(exact);
    return new Pulses(whole, exact.subtract(whole).divide(pulsesPerUnit()).doubleValue());
  }

  private static long nearest(BigFraction exact) {
    BigFraction half = exact.add(new BigFraction(1, 2));
    return Math.floorDiv(
        half.getNumerator().longValueExact(), half.getDenominator().longValueExact());
  }

  /** Travel of one pulse, in the unit. */
  public double travelPerPulse() {
    return pulsesPerUnit().reciprocal().doubleValue();
  }

  /**
   * How far incremental moves of one travel lie off after some of them: each is rounded by itself,
   * so that the error adds up; absolute moves never lie off by more than half a pulse.
   */
  public double missedAfter(BigDecimal travel, int moves) {
    return pulses(travel).missed() * moves;
  }

  /** Speed of the machine at a rate of pulses, in the unit a second. */
  public double velocity(double pulsesPerSecond) {
    return pulsesPerSecond * travelPerPulse();
  }

  /** Rate of pulses at a speed of the machine, in the unit a second. */
  public double rate(double velocity) {
    return velocity * pulsesPerUnit().doubleValue();
  }

  /** Whole turns of the motor that a signed word of so many bits holds as pulses. */
  public long turnsInWord(int bits) {
    if (bits < 2 || bits > 62) {
      throw new IllegalArgumentException("a word has 2 to 62 bits, not " + bits);
    }
    return ((1L << bits - 1) - 1) / pulsesPerTurn();
  }
}
