package unimotus.core.proof;

import java.util.List;
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
 */
public record Verdict(
    Prediction prediction, @Nullable Reading reading, Outcome outcome, List<Part> changed) {

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

  /** Takes a copy of the parts. */
  public Verdict {
    changed = List.copyOf(changed);
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
