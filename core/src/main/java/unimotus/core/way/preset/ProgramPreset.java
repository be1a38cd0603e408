package unimotus.core.way.preset;

import static unimotus.core.path.Numbers.text;

import java.util.Comparator;
import java.util.List;
import unimotus.core.derivation.Step;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.quantity.MeasureUnit;

/**
 * The program turns percent into a combination of preset inputs: the one whose speed is nearest.
 *
 * @param choices what it can choose from, by rising number; never empty
 */
record ProgramPreset(List<PresetChoice> choices) implements Stage {

  /** Takes a copy. */
  ProgramPreset {
    choices = List.copyOf(choices);
    if (choices.isEmpty()) {
      throw new IllegalArgumentException("presets: there is no combination to choose");
    }
  }

  @Override
  public Station from() {
    return Station.PERCENT;
  }

  @Override
  public Station to() {
    return Station.COUNTS;
  }

  @Override
  public MeasureUnit unit() {
    return MeasureUnit.ONE;
  }

  /** The choice whose speed is nearest; of two that are equally near the first. */
  PresetChoice chosen(double percent) {
    return choices.stream()
        .min(Comparator.comparingDouble(c -> Math.abs(c.percent() - percent)))
        .orElseThrow();
  }

  @Override
  public double forward(double percent) {
    return chosen(percent).number();
  }

  @Override
  public double inverse(double number) {
    return choices.stream()
        .min(Comparator.comparingDouble(c -> Math.abs(c.number() - number)))
        .orElseThrow()
        .percent();
  }

  @Override
  public double low() {
    return choices.get(0).number();
  }

  @Override
  public double high() {
    return choices.get(choices.size() - 1).number();
  }

  @Override
  public double step() {
    return 1;
  }

  @Override
  public String origin() {
    return "program: outputs to the preset inputs";
  }

  @Override
  public Step sum(double in, double out) {
    PresetChoice chosen = chosen(in);
    return new Step(
        "combination",
        "nearest speed",
        "%s %% is nearest to %s %%: %s".formatted(text(in), text(chosen.percent()), chosen.text()),
        out,
        unit(),
        origin());
  }
}
