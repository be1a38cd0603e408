package unimotus.desktop.calc;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.function.BiFunction;
import unimotus.core.calc.CalcResult;
import unimotus.core.calc.Calculator;
import unimotus.core.calc.Calculators;
import unimotus.core.calc.Parameter;
import unimotus.core.calc.UnitConversion;
import unimotus.core.quantity.QuantityFormat;

/**
 * One question that can be asked in the window.
 *
 * @param name its name on the command line
 * @param title what it answers
 * @param asks the numbers it asks for
 * @param answer from typed texts and the reader's decimal mark to the result
 */
record Question(
    String name,
    String title,
    List<Ask> asks,
    BiFunction<Map<String, String>, Character, CalcResult> answer) {

  /**
   * One number.
   *
   * @param name its key
   * @param about what it is, with the unit meant where none is typed
   * @param prompt what is taken where nothing is typed, or an example
   * @param needed whether it has to be given
   */
  record Ask(String name, String about, String prompt, boolean needed) {}

  /** Every calculator, and the conversion of units. */
  static List<Question> all() {
    List<Question> questions = new ArrayList<>();
    Calculators.all().forEach(c -> questions.add(of(c)));
    questions.add(
        new Question(
            "convert",
            "a quantity in another unit",
            List.of(
                new Ask("value", "quantity with its unit", "7.5 kW", true),
                new Ask("to", "unit wanted", "hp", true)),
            (texts, mark) ->
                UnitConversion.convert(needed(texts, "value"), needed(texts, "to"), mark)));
    return List.copyOf(questions);
  }

  private static Question of(Calculator calculator) {
    Map<String, String> examples = new TreeMap<>();
    for (String pair : calculator.example().split(" ")) {
      examples.put(pair.substring(0, pair.indexOf('=')), pair.substring(pair.indexOf('=') + 1));
    }
    List<Ask> asks =
        calculator.parameters().stream()
            .map(p -> ask(p, examples.getOrDefault(p.name(), "")))
            .toList();
    return new Question(calculator.name(), calculator.title(), asks, calculator::compute);
  }

  private static Ask ask(Parameter parameter, String example) {
    Double fallback = parameter.fallback();
    String unit = parameter.unit().symbol();
    return new Ask(
        parameter.name(),
        unit.isEmpty() ? parameter.about() : "%s, %s".formatted(parameter.about(), unit),
        fallback == null
            ? "such as " + example
            : QuantityFormat.PLAIN.text(fallback, parameter.unit()),
        fallback == null);
  }

  /** Whether all words sought stand in its name, its title or its numbers. */
  boolean matches(String sought) {
    StringBuilder all = new StringBuilder(name + " " + title);
    asks.forEach(a -> all.append(' ').append(a.name()).append(' ').append(a.about()));
    String text = all.toString().toLowerCase(Locale.ROOT);
    for (String word : sought.toLowerCase(Locale.ROOT).strip().split("\\s+")) {
      if (!text.contains(word)) {
        return false;
      }
    }
    return true;
  }

  private static String needed(Map<String, String> texts, String name) {
    return Objects.requireNonNull(texts.get(name), name);
  }
}
