package unimotus.core.scaling;

import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/**
 * The way of a position from the program's number to the load and back, in one scaling.
 *
 * @param scaling the copy it is reckoned with
 */
public record PositionPath(AxisScaling scaling) {
  private static final String SOURCE = "IEC 61800-7-201 (from memory)";
  private static final double SECONDS_PER_MINUTE = 60;

  /**
   * A position at every place of the way.
   *
   * @param number in the unit of the scaling, as wanted
   * @param counts whole counts over the bus
   * @param motorTurns turns of the motor
   * @param outputTurns turns of the gear's output
   * @param reached in the unit of the scaling, after rounding to counts
   */
  public record Places(
      double number, double counts, double motorTurns, double outputTurns, double reached) {
    /** Whether a signed number of 32 bits holds the counts. */
    public boolean fitsThirtyTwoBits() {
      return counts >= Integer.MIN_VALUE && counts <= Integer.MAX_VALUE;
    }
  }

  /** From the number in the program. */
  public Places fromNumber(double number) {
    double counts = Math.rint(number * scaling.signedCountsPerUnit());
    Places places = fromCounts(counts);
    return new Places(number, counts, places.motorTurns(), places.outputTurns(), places.reached());
  }

  /** From the counts read over the bus. */
  public Places fromCounts(double counts) {
    // The sign is that of the program: the shaft turns the way the counts say.
    double turns = counts / scaling.countsPerTurn().doubleValue();
    double output = turns / scaling.gear().doubleValue();
    double number = counts / scaling.signedCountsPerUnit();
    return new Places(number, counts, turns, output, number);
  }

  /** From turns of the motor, as one counts them by hand at the shaft. */
  public Places fromMotorTurns(double turns) {
    return fromCounts(Math.rint(turns * scaling.countsPerTurn().doubleValue()));
  }

  /** Counts from one cycle to the next at a speed of the motor. */
  public double countsPerCycle(double rpm, double cycleSeconds) {
    return rpm / SECONDS_PER_MINUTE * scaling.countsPerTurn().doubleValue() * cycleSeconds;
  }

  /** Revolutions of the motor a minute at a speed in units a second. */
  public double motorRpm(double unitsPerSecond) {
    return unitsPerSecond
        * SECONDS_PER_MINUTE
        / scaling.feedPerTurn().doubleValue()
        * scaling.gear().doubleValue();
  }

  /** How counts for one unit come about. */
  public Derivation sum() {
    double counts = scaling.countsPerTurn().doubleValue();
    double gear = scaling.gear().doubleValue();
    double feed = scaling.feedPerTurn().doubleValue();
    String unit = scaling.unit().symbol().isEmpty() ? "unit" : scaling.unit().symbol();
    return Derivation.of(
        new Step(
            "counts for 1 " + unit,
            "counts a turn · gear / feed",
            "%s · %s / %s"
                .formatted(
                    QuantityFormat.PLAIN.text(counts, MeasureUnit.COUNTS),
                    number(gear),
                    number(feed)),
            scaling.countsPerUnit().doubleValue(),
            MeasureUnit.ONE,
            SOURCE),
        new Step(
            "one count",
            "1 / counts for 1 " + unit,
            "",
            scaling.resolution(),
            scaling.unit(),
            SOURCE),
        new Step(
            "farthest position in 32 bits",
            "(2³¹ − 1) · one count",
            "2 147 483 647 · %s".formatted(number(scaling.resolution())),
            scaling.farthest(),
            scaling.unit(),
            "arithmetic"));
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}
