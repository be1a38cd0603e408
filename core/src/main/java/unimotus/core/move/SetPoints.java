package unimotus.core.move;

/**
 * What a controller sends in every cycle: the position in whole counts, rounded from the exact
 * place each time, so that nothing adds up.
 *
 * @param period the cycle in seconds
 * @param number how many there are, the first and the last included
 * @param last the last one
 * @param largestStep the most counts from one cycle to the next, not negative
 * @param least the lowest
 * @param most the highest
 */
public record SetPoints(
    double period, long number, long last, long largestStep, long least, long most) {
  /** Beyond so many a cycle is a typing error. */
  private static final double MOST_CYCLES = 2e7;

  /**
   * The set-points of a motion.
   *
   * @param countsPerUnit counts for one unit of the axis, negative where it counts backwards
   * @param period the cycle in seconds, over 0
   * @throws IllegalArgumentException where there are more than twenty millions
   */
  public static SetPoints of(MotionPlan plan, double countsPerUnit, double period) {
    if (plan.seconds() / period > MOST_CYCLES) {
      throw new IllegalArgumentException(
          "a cycle of %s s makes more than %.0f million set-points of these moves"
              .formatted(period, MOST_CYCLES / 1e6));
    }
    Tally tally = new Tally(countsPerUnit);
    plan.samplePositions(period, tally);
    return new SetPoints(
        period, tally.number, tally.before, tally.largest, tally.least, tally.most);
  }

  /** Whether every set-point fits a signed number of 32 bits. */
  public boolean fitsThirtyTwoBits() {
    return least >= Integer.MIN_VALUE && most <= Integer.MAX_VALUE;
  }

  private static final class Tally implements MotionPlan.PositionSampler {
    private final double countsPerUnit;
    private long number;
    private long before;
    private long largest;
    private long least = Long.MAX_VALUE;
    private long most = Long.MIN_VALUE;

    Tally(double countsPerUnit) {
      this.countsPerUnit = countsPerUnit;
    }

    @Override
    public void take(double position, double velocity) {
      long counts = Math.round(position * countsPerUnit);
      largest = number == 0 ? 0 : Math.max(largest, Math.abs(counts - before));
      least = Math.min(least, counts);
      most = Math.max(most, counts);
      before = counts;
      number++;
    }
  }
}
