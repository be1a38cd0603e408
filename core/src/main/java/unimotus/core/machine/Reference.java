package unimotus.core.machine;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.core.sheet.Option;

/**
 * How the drive is told how fast: by the controller's program, by an operator, or by inputs.
 *
 * @param output analog output point of the controller, null where none is chosen yet
 * @param input analog input terminal of the drive, null where none is chosen yet
 * @param speedAtZero machine speed the program means by 0 %, in the unit of the mechanics
 * @param speedAtFull machine speed the program means by 100 %
 * @param frequencyAtZeroHertz output frequency the program's author meant for 0 %
 * @param frequencyAtFullHertz output frequency the program's author meant for 100 %
 * @param programFullScaleCounts counts the program writes for 100 %
 * @param wantedStep the coarsest step of machine speed that is acceptable
 * @param presets speeds chosen by preset inputs, by their number; possibly empty
 * @param local what an operator sets the speed with, null where the program does
 */
@RecordBuilder
public record Reference(
    @Nullable String output,
    @Nullable String input,
    double speedAtZero,
    double speedAtFull,
    double frequencyAtZeroHertz,
    double frequencyAtFullHertz,
    int programFullScaleCounts,
    double wantedStep,
    List<Preset> presets,
    @Nullable LocalReference local)
    implements ReferenceBuilder.With {

  /** A reference of the program, without presets. */
  public Reference(
      @Nullable String output,
      @Nullable String input,
      double speedAtZero,
      double speedAtFull,
      double frequencyAtZeroHertz,
      double frequencyAtFullHertz,
      int programFullScaleCounts,
      double wantedStep) {
    this(
        output,
        input,
        speedAtZero,
        speedAtFull,
        frequencyAtZeroHertz,
        frequencyAtFullHertz,
        programFullScaleCounts,
        wantedStep,
        List.of(),
        null);
  }

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
    presets = presets == null ? List.of() : sorted(presets);
  }

  private static List<Preset> sorted(List<Preset> presets) {
    List<Preset> sorted = new ArrayList<>(presets);
    sorted.sort(Comparator.comparingInt(Preset::number));
    for (int i = 1; i < sorted.size(); i++) {
      if (sorted.get(i).number() == sorted.get(i - 1).number()) {
        throw new IllegalArgumentException(
            "reference: preset %d is there twice".formatted(sorted.get(i).number()));
      }
    }
    return List.copyOf(sorted);
  }

  /** Output frequency the program's author means by a machine speed, in hertz. */
  public double hertzAt(double speed) {
    return frequencyAtZeroHertz
        + (speed - speedAtZero)
            / (speedAtFull - speedAtZero)
            * (frequencyAtFullHertz - frequencyAtZeroHertz);
  }

  /** Machine speed the program's author means by an output frequency in hertz. */
  public double speedAt(double hertz) {
    return speedAtZero
        + (hertz - frequencyAtZeroHertz)
            / (frequencyAtFullHertz - frequencyAtZeroHertz)
            * (speedAtFull - speedAtZero);
  }

  /**
   * What the drive's reference source has to stand at; null where nothing is chosen yet, or the
   * reference does not come to the drive itself.
   */
  public @Nullable String source() {
    return local == LocalReference.KEYPAD ? Option.KEYPAD.word() : input;
  }

  /** This reference with {@code preset} in the place of the one of its number, or added. */
  public Reference with(Preset preset) {
    List<Preset> next = new ArrayList<>(without(preset.number()).presets());
    next.add(preset);
    return withPresets(next);
  }

  /** This reference without the preset of a number. */
  public Reference without(int number) {
    return withPresets(presets.stream().filter(p -> p.number() != number).toList());
  }

  /** The preset of a number; empty where none is wanted. */
  public Optional<Preset> preset(int number) {
    return presets.stream().filter(p -> p.number() == number).findFirst();
  }

  /** This reference set by other means; null for the program. */
  public Reference setBy(@Nullable LocalReference next) {
    return with().local(next).build();
  }

  /** This reference over other terminals; null for none. */
  public Reference withTerminals(@Nullable String nextOutput, @Nullable String nextInput) {
    return with().output(nextOutput).input(nextInput).build();
  }

  /** This reference with another output frequency meant for 100 %. */
  public Reference withFrequencyAtFull(double next) {
    return withFrequencyAtFullHertz(next);
  }

  /** This reference with other counts written for 100 %. */
  public Reference withProgramFullScale(int next) {
    return withProgramFullScaleCounts(next);
  }
}
