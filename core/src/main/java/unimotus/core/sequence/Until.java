package unimotus.core.sequence;

/**
 * What ends a step.
 *
 * @param input name of an input, as people say it
 * @param holds false where it has to be off
 * @param withinSeconds how long it may take; 0 where nothing limits it
 */
public record Until(String input, boolean holds, double withinSeconds) {
  /** A day: what takes longer is no step of a sequence. */
  static final double LONGEST = 86_400;

  /** Checks name and time. */
  public Until {
    if (input.isBlank()) {
      throw new IllegalArgumentException("sequence: what ends a step needs a name");
    }
    boolean none = withinSeconds == 0;
    if (!none && !(withinSeconds >= 0.001 && withinSeconds <= LONGEST)) {
      throw new IllegalArgumentException(
          "sequence: a time limit must be 0.001 to 86400 s, not %s s".formatted(withinSeconds));
    }
  }

  /** Whether a time limit ends the wait for it. */
  public boolean isLimited() {
    return withinSeconds > 0;
  }

  /** In words, such as {@code not door closed}. */
  public String words() {
    return holds ? input : "not " + input;
  }
}
