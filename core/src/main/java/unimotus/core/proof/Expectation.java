package unimotus.core.proof;

import java.util.List;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/** What should be seen. */
public sealed interface Expectation {

  /** The expectation in words. */
  String text(QuantityFormat format);

  /**
   * A number within a tolerance.
   *
   * @param value the predicted value
   * @param tolerance half the width of the band that still agrees, positive
   * @param unit unit of both
   */
  record Amount(double value, double tolerance, MeasureUnit unit) implements Expectation {
    /** Checks the tolerance. */
    public Amount {
      if (!(tolerance > 0)) {
        throw new IllegalArgumentException(
            "a prediction needs a positive tolerance, not " + tolerance);
      }
    }

    @Override
    public String text(QuantityFormat format) {
      return format.number(value, unit)
          + " ± "
          + new QuantityFormat(format.decimalMark(), 2).text(tolerance, unit);
    }
  }

  /**
   * One of a few states.
   *
   * @param expected the state that should be seen
   * @param choices all states that can be seen, the expected one among them
   */
  record Word(String expected, List<String> choices) implements Expectation {
    /** Checks that the expected state can be chosen. */
    public Word {
      choices = List.copyOf(choices);
      if (!choices.contains(expected)) {
        throw new IllegalArgumentException("'%s' is not one of %s".formatted(expected, choices));
      }
    }

    @Override
    public String text(QuantityFormat format) {
      return expected;
    }
  }
}
