package unimotus.core.machine;

import org.jspecify.annotations.Nullable;

/**
 * How the drive's actual speed comes back to the controller's program.
 *
 * @param output analog output terminal of the drive, null where no answer is wired
 * @param input analog input point of the controller, null where no answer is wired
 * @param speedAtFull machine speed the program shows at full scale, in the unit of the mechanics
 * @param programFullScaleCounts counts the program takes as full scale
 */
public record Answer(
    @Nullable String output,
    @Nullable String input,
    double speedAtFull,
    int programFullScaleCounts) {

  /** Checks the scale. */
  public Answer {
    if (!(speedAtFull > 0)) {
      throw new IllegalArgumentException(
          "answer: speed at full scale must be positive, not " + speedAtFull);
    }
    if (programFullScaleCounts < 100 || programFullScaleCounts > 10_000_000) {
      throw new IllegalArgumentException(
          "answer: full scale of %d counts is outside 100 to 10 000 000"
              .formatted(programFullScaleCounts));
    }
  }

  /** Whether both ends of the answer are chosen. */
  public boolean isWired() {
    return output != null && input != null;
  }

  /** This answer over other terminals; null for none. */
  public Answer withTerminals(@Nullable String nextOutput, @Nullable String nextInput) {
    return new Answer(nextOutput, nextInput, speedAtFull, programFullScaleCounts);
  }
}
