package unimotus.core.proof;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Reading;
import unimotus.core.quantity.QuantityFormat;

/**
 * A prediction beside its latest reading.
 *
 * @param prediction what should be seen
 * @param reading what was seen last, null where nothing was
 * @param outcome what that says
 * @param changed the parts of the design that changed since the reading; empty unless stale
 * @param redone what it rests on that was done again since, by title; empty unless stale
 */
public record Verdict(
    Prediction prediction,
    @Nullable Reading reading,
    Outcome outcome,
    List<Part> changed,
    List<String> redone) {

  /** What a prediction and its reading say together. */
  public enum Outcome {
    OPEN("not measured"),
    AGREES("agrees"),
    DIFFERS("differs"),
    STALE("stale");

    private final String label;

    Outcome(String label) {
      this.label = label;
    }

    /** The word shown to the user. */
    public String label() {
      return label;
    }
  }

  /** Takes copies. */
  public Verdict {
    changed = List.copyOf(changed);
    redone = List.copyOf(redone);
  }

  /** A verdict that no doing again has made stale. */
  public Verdict(
      Prediction prediction, @Nullable Reading reading, Outcome outcome, List<Part> changed) {
    this(prediction, reading, outcome, changed, List.of());
  }

  /** Why it is stale, in words; empty where it is not. */
  public String staleBecause() {
    List<String> why = new ArrayList<>();
    if (!changed.isEmpty()) {
      why.add(
          changed.stream()
              .map(Part::label)
              .collect(Collectors.joining(", ", "", " changed since")));
    }
    if (!redone.isEmpty()) {
      why.add(String.join(", ", redone) + ": done again since");
    }
    return String.join("; ", why);
  }

  /**
   * Reading less prediction in the prediction's unit; not-a-number where either is not a number.
   */
  public double deviation() {
    return reading != null
            && reading.amount() != null
            && prediction.expectation() instanceof Expectation.Amount a
        ? reading.amount() - a.value()
        : Double.NaN;
  }

  /** What was seen, in words; empty where nothing was. */
  public String readingText(QuantityFormat format) {
    if (reading == null) {
      return "";
    }
    return reading.amount() != null && prediction.expectation() instanceof Expectation.Amount a
        ? format.text(reading.amount(), a.unit())
        : String.valueOf(reading.word());
  }
}
