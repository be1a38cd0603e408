package unimotus.core.calc;

import java.util.List;
import java.util.Map;
import java.util.function.Function;

/**
 * A question with its numbers and its formula.
 *
 * @param name the word for it on the command line
 * @param title what it answers
 * @param parameters the numbers it asks for
 * @param example a call that works, shown in help and run as a test
 * @param formula the computation
 */
public record Calculator(
    String name,
    String title,
    List<Parameter> parameters,
    String example,
    Function<Inputs, CalcResult> formula) {

  /** Takes a copy of the parameters. */
  public Calculator {
    parameters = List.copyOf(parameters);
  }

  /**
   * Computes from typed texts, by parameter name.
   *
   * @throws IllegalArgumentException naming the number, its value and the limit
   */
  public CalcResult compute(Map<String, String> texts) {
    return compute(texts, '.');
  }

  /**
   * Computes as {@link #compute(Map)} from texts with the reader's own decimal mark.
   *
   * @param decimalMark a point or a comma
   */
  public CalcResult compute(Map<String, String> texts, char decimalMark) {
    CalcResult result = formula.apply(new Inputs(parameters, texts, decimalMark));
    if (!Double.isFinite(result.value())) {
      throw new IllegalArgumentException(
          "%s: these numbers have no result; one of them is zero or far too large".formatted(name));
    }
    return result;
  }
}
