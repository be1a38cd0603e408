package unimotus.core.machine;

import org.jspecify.annotations.Nullable;

/**
 * How the controller's program tells the drive how fast.
 *
 * @param output analog output point of the controller, null where none is chosen yet
 * @param input analog input terminal of the drive, null where none is chosen yet
 * @param speedAtZero machine speed the program means by 0 %, in the unit of the mechanics
 * @param speedAtFull machine speed the program means by 100 %
 * @param frequencyAtZeroHertz output frequency the program's author meant for 0 %
 * @param frequencyAtFullHertz output frequency the program's author meant for 100 %
 * @param programFullScaleCounts counts the program writes for 100 %
 * @param wantedStep the coarsest step of machine speed that is acceptable
 */
public record Reference(
    @Nullable String output,
    @Nullable String input,
    double speedAtZero,
    double speedAtFull,
    double frequencyAtZeroHertz,
    double frequencyAtFullHertz,
    int programFullScaleCounts,
    double wantedStep) {

  /** Checks the spans; 0 % and 100 % must differ, or no number could be sent. */
  public Reference {
    if (!(Math.abs(speedAtFull - speedAtZero) > 0 && Double.isFinite(speedAtFull - speedAtZero))) {
      throw new IllegalArgumentException(
          "reference: speed at 100 %% (%s) must differ from speed at 0 %% (%s)"
              .formatted(speedAtFull, speedAtZero));
    }
    if (!(frequencyAtZeroHertz >= 0
        && frequencyAtFullHertz > frequencyAtZeroHertz
        && frequencyAtFullHertz <= 1000)) {
      throw new IllegalArgumentException(
          "reference: frequency must rise from 0 %% (%s Hz) to 100 %% (%s Hz) and stay within 0 to 1000 Hz"
              .formatted(frequencyAtZeroHertz, frequencyAtFullHertz));
    }
    if (programFullScaleCounts < 100 || programFullScaleCounts > 10_000_000) {
      throw new IllegalArgumentException(
          "reference: full scale of %d counts is outside 100 to 10 000 000"
              .formatted(programFullScaleCounts));
    }
    if (!(wantedStep > 0)) {
      throw new IllegalArgumentException(
          "reference: wanted step must be positive, not " + wantedStep);
    }
  }

  /** This reference over other terminals; null for none. */
  public Reference withTerminals(@Nullable String nextOutput, @Nullable String nextInput) {
    return new Reference(
        nextOutput,
        nextInput,
        speedAtZero,
        speedAtFull,
        frequencyAtZeroHertz,
        frequencyAtFullHertz,
        programFullScaleCounts,
        wantedStep);
  }

  /** This reference with another machine speed at 100 %. */
  public Reference withSpeedAtFull(double next) {
    return new Reference(
        output,
        input,
        speedAtZero,
        next,
        frequencyAtZeroHertz,
        frequencyAtFullHertz,
        programFullScaleCounts,
        wantedStep);
  }

  /** This reference with another output frequency meant for 100 %. */
  public Reference withFrequencyAtFull(double next) {
    return new Reference(
        output,
        input,
        speedAtZero,
        speedAtFull,
        frequencyAtZeroHertz,
        next,
        programFullScaleCounts,
        wantedStep);
  }

  /** This reference with other counts written for 100 %. */
  public Reference withProgramFullScale(int next) {
    return new Reference(
        output,
        input,
        speedAtZero,
        speedAtFull,
        frequencyAtZeroHertz,
        frequencyAtFullHertz,
        next,
        wantedStep);
  }

  /** This reference with another wanted step. */
  public Reference withWantedStep(double next) {
    return new Reference(
        output,
        input,
        speedAtZero,
        speedAtFull,
        frequencyAtZeroHertz,
        frequencyAtFullHertz,
        programFullScaleCounts,
        next);
  }
}
