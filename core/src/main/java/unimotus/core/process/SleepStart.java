package unimotus.core.process;

import java.util.OptionalDouble;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/**
 * Whether a drive falls asleep while it starts: its loop asks for all there is, so that the ramp
 * alone says when the output passes the sleep level; the delay counts from the start on.
 *
 * @param maximumHertz output at the end of the ramp, over 0
 * @param rampSeconds from 0 to that, 0 or more
 * @param levelHertz sleep level, 0 or more
 * @param delaySeconds how long the output may be below it, over 0
 * @param lagSeconds before the ramp begins: filter, transmitter, start delay; 0 or more
 */
public record SleepStart(
    double maximumHertz,
    double rampSeconds,
    double levelHertz,
    double delaySeconds,
    double lagSeconds) {
  private static final String SOURCE = "common practice";

  /** Checks the numbers. */
  public SleepStart {
    if (!(maximumHertz > 0)) {
      throw new IllegalArgumentException(
          "sleep: the maximum must be over 0 Hz, not " + maximumHertz);
    }
    if (!(rampSeconds >= 0) || !(lagSeconds >= 0)) {
      throw new IllegalArgumentException(
          "sleep: ramp and lag must be 0 s or more, not %s and %s"
              .formatted(rampSeconds, lagSeconds));
    }
    if (!(levelHertz >= 0 && levelHertz <= maximumHertz)) {
      throw new IllegalArgumentException(
          "sleep: the level must be 0 to the maximum of %s Hz, not %s Hz"
              .formatted(maximumHertz, levelHertz));
    }
    if (!(delaySeconds > 0)) {
      throw new IllegalArgumentException("sleep: the delay must be over 0 s, not " + delaySeconds);
    }
  }

  /** When the output passes the level, from the start on. */
  public double passesSeconds() {
    return lagSeconds + rampSeconds * levelHertz / maximumHertz;
  }

  /** What is left of the delay then; negative where it is asleep before. */
  public double marginSeconds() {
    return delaySeconds - passesSeconds();
  }

  /** Whether it is asleep before the output has passed the level. */
  public boolean fallsAsleep() {
    return marginSeconds() <= 0;
  }

  /** The ramp from which on it no longer does; empty where no ramp is short enough. */
  public OptionalDouble longestRamp() {
    double left = delaySeconds - lagSeconds;
    return left > 0 && levelHertz > 0
        ? OptionalDouble.of(left * maximumHertz / levelHertz)
        : OptionalDouble.empty();
  }

  /** The delay over which it no longer does. */
  public double shortestDelay() {
    return passesSeconds();
  }

  /** The level under which it no longer does; empty where none is low enough. */
  public OptionalDouble highestLevel() {
    double left = delaySeconds - lagSeconds;
    if (!(left > 0)) {
      return OptionalDouble.empty();
    }
    return OptionalDouble.of(
        rampSeconds == 0
            ? maximumHertz
            : Math.min(maximumHertz, left * maximumHertz / rampSeconds));
  }

  /** How it was found. */
  public Derivation sum() {
    return Derivation.of(
            new Step(
                "passes the level after",
                "t = lag + ramp·level/maximum",
                "%s + %s·%s/%s"
                    .formatted(
                        number(lagSeconds),
                        number(rampSeconds),
                        number(levelHertz),
                        number(maximumHertz)),
                passesSeconds(),
                MeasureUnit.SECOND_UNIT,
                SOURCE))
        .then(
            new Step(
                "left of the delay",
                "delay − t",
                "%s − %s".formatted(number(delaySeconds), number(passesSeconds())),
                marginSeconds(),
                MeasureUnit.SECOND_UNIT,
                SOURCE));
  }

  /** What it does, and the smallest change of each single number that cures it, in words. */
  public String words() {
    if (!fallsAsleep()) {
      return "it passes %s Hz after %s s and stays awake; %s s are left of the delay"
          .formatted(number(levelHertz), number(passesSeconds()), number(marginSeconds()));
    }
    String cures =
        "a delay over %s s%s%s"
            .formatted(
                number(shortestDelay()),
                cure(", a ramp under %s s", longestRamp()),
                cure(", a level under %s Hz", highestLevel()));
    return "it is asleep after %s s and would pass %s Hz after %s s: %s"
        .formatted(number(delaySeconds), number(levelHertz), number(passesSeconds()), cures);
  }

  private static String cure(String words, OptionalDouble number) {
    return number.isPresent() ? words.formatted(number(number.getAsDouble())) : "";
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(Math.rint(value * 1000) / 1000);
  }
}
