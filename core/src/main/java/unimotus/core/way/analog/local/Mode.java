package unimotus.core.way.analog.local;

import java.util.List;
import java.util.Locale;
import unimotus.core.path.SeenInputs;
import unimotus.core.path.SignalPath;
import unimotus.core.proof.Predictor;
import unimotus.core.proof.SetPoint;
import unimotus.core.sheet.Meaning;

/** In which mode of the axis a local reference holds. */
enum Mode {
  /** Always: the axis has no other. */
  ALWAYS,
  /** While a selector stands at Hand. */
  HAND;

  /** By eye at a knob, in percent: the ends and the middle. */
  private static final List<Integer> IN_HAND = List.of(0, 50, 100);

  boolean isHand() {
    return this == HAND;
  }

  /** In Hand by the manual request alone. */
  boolean holds(SeenInputs seen) {
    return !isHand() || seen.isOn(Meaning.MANUAL_REQUEST);
  }

  /**
   * A few shares of the span.
   *
   * @param set what is done to command one, as in {@code the knob turned to}
   * @param read what is read first
   */
  List<SetPoint> setPoints(SignalPath path, String set, String read) {
    return (isHand() ? IN_HAND : Predictor.REFERENCES)
        .stream()
            .map(
                percent ->
                    new SetPoint(
                        (isHand() ? "hand" : "ref") + percent,
                        "%s %d %%".formatted(isHand() ? "Hand" : "Reference", percent),
                        path.scale().inverse(percent),
                        "%sun with %s %d %%. %s and display with the motor isolated, then the speeds."
                            .formatted(
                                isHand() ? "Selector at Hand. R" : "R",
                                set,
                                percent,
                                read.substring(0, 1).toUpperCase(Locale.ROOT) + read.substring(1))))
            .toList();
  }
}
