package unimotus.core.fieldbus;

import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/**
 * What the cycle of a bus leaves: how late a command arrives at worst, and how long drive and
 * controller wait before they take the link for lost.
 *
 * @param cycleSeconds time in which every drive is spoken to once
 * @param programSeconds time of one scan of the controller's program
 */
public record LinkWatch(double cycleSeconds, double programSeconds) {
  /** Messages that may be lost one after the other without anything happening (common practice). */
  private static final int LOST_MESSAGES = 3;

  private static final double SHORTEST_SECONDS = 0.1;
  private static final String COMMON = "common practice";

  /** Checks the times. */
  public LinkWatch {
    if (!(cycleSeconds > 0) || !(programSeconds >= 0)) {
      throw new IllegalArgumentException(
          "a cycle of %s s with a scan of %s s is none".formatted(cycleSeconds, programSeconds));
    }
  }

  /** From a change in the program to the word in the drive at worst, in seconds. */
  public double reactionSeconds() {
    return cycleSeconds + programSeconds;
  }

  /** The shortest time-out that a few lost messages do not trip, in seconds. */
  public double timeoutSeconds() {
    double least = LOST_MESSAGES * cycleSeconds + programSeconds;
    return Math.max(SHORTEST_SECONDS, Math.ceil(10 * least - 1e-9) / 10);
  }

  /**
   * How long a bit that counts on its edge has to stand, and to rest before it comes again, so that
   * it arrives although a few messages are lost, in seconds.
   */
  public double pulseSeconds() {
    return timeoutSeconds();
  }

  /** The sums of both. */
  public Derivation sum() {
    return Derivation.of(
        new Step(
            "command to drive, at worst",
            "cycle + scan",
            "%s + %s ms".formatted(millis(cycleSeconds), millis(programSeconds)),
            1000 * reactionSeconds(),
            MeasureUnit.MILLISECOND,
            COMMON),
        new Step(
            "time-out of drive and program, at least",
            "3·cycle + scan, up to the next tenth of a second",
            "3·%s + %s ms".formatted(millis(cycleSeconds), millis(programSeconds)),
            1000 * timeoutSeconds(),
            MeasureUnit.MILLISECOND,
            COMMON));
  }

  private static String millis(double seconds) {
    return QuantityFormat.PLAIN.number(Math.round(seconds * 1e6) / 1e3);
  }
}
