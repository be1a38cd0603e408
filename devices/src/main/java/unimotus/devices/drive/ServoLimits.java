package unimotus.devices.drive;

/**
 * What a servo axis keeps to by itself (0x607D and 0x6072, IEC 61800-7-201, from memory).
 *
 * @param least lowest position in counts as shown; with {@code most} not over it there is no limit
 * @param most highest position in counts as shown
 * @param torqueShare share of the motor's rated torque that is given at most; infinite for no limit
 */
public record ServoLimits(double least, double most, double torqueShare) {
  /** No limits but those of motor and switches. */
  public static final ServoLimits NONE = new ServoLimits(0, 0, Double.POSITIVE_INFINITY);

  /** A position within them. */
  double within(double counts) {
    return least < most ? Math.max(least, Math.min(most, counts)) : counts;
  }

  /** Whether a way on in a direction leads out of them. */
  boolean isReached(double counts, int direction) {
    return least < most && (direction > 0 ? counts >= most : counts <= least);
  }

  /** Whether a position is beyond them. */
  boolean isBeyond(double counts) {
    return within(counts) != counts;
  }
}
