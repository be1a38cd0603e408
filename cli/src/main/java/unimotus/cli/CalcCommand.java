package unimotus.cli;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;
import unimotus.core.calc.CalcResult;
import unimotus.core.calc.Calculator;
import unimotus.core.calc.Calculators;
import unimotus.core.calc.Parameter;
import unimotus.core.calc.UnitConversion;
import unimotus.core.quantity.QuantityFormat;

/** {@code calc [NAME key=value…]}: the pocket calculator. */
@Command(
    name = "calc",
    mixinStandardHelpOptions = true,
    description =
        "List the calculators, or run one. Units are taken as suffixes: 7.5kW, 60Hz, 3.175mm.",
    footer = {
      "",
      "Example: unimotus calc torque power=4kW speed=1455rpm",
      "Example: unimotus calc convert value=7.5kW to=hp"
    })
final class CalcCommand implements Callable<Integer> {
  private static final String CONVERT = "convert";

  @Parameters(
      index = "0",
      arity = "0..1",
      paramLabel = "NAME",
      description = "Name of a calculator.")
  private String name;

  @Parameters(index = "1..*", paramLabel = "key=value", description = "The numbers it asks for.")
  private List<String> pairs = List.of();

  @Mixin private Output output;

  @Override
  public Integer call() {
    if (name == null) {
      list();
      return 0;
    }
    CalcResult result = compute(texts());
    if (output.isJson()) {
      output.document(
          Output.map(
              "value", result.value(),
              "unit", result.unit().symbol(),
              "derivation", result.derivation().steps().stream().map(s -> s.text()).toList(),
              "source", result.source(),
              "remark", result.remark()));
    } else {
      output.text().println(QuantityFormat.PLAIN.text(result.value(), result.unit()));
      output.text().println("  " + result.derivation().text());
      if (!result.remark().isEmpty()) {
        output.text().println("  " + result.remark());
      }
    }
    return 0;
  }

  private CalcResult compute(Map<String, String> texts) {
    if (name.equals(CONVERT)) {
      return UnitConversion.convert(need(texts, "value"), need(texts, "to"));
    }
    return Calculators.find(name)
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "there is no calculator '%s'; 'unimotus calc' lists them%s"
                        .formatted(name, near())))
        .compute(texts);
  }

  private String near() {
    return Calculators.all().stream()
        .map(Calculator::name)
        .filter(n -> n.contains(name) || name.contains(n))
        .findFirst()
        .map(n -> "; did you mean " + n + "?")
        .orElse("");
  }

  private static String need(Map<String, String> texts, String key) {
    String text = texts.get(key);
    if (text == null) {
      throw new IllegalArgumentException(key + " is missing, such as value=7.5kW to=hp");
    }
    return text;
  }

  private Map<String, String> texts() {
    Map<String, String> texts = new LinkedHashMap<>();
    for (String pair : pairs) {
      int equals = pair.indexOf('=');
      if (equals < 1) {
        throw new IllegalArgumentException(
            "'%s' is not key=value, such as frequency=50Hz".formatted(pair));
      }
      if (texts.put(pair.substring(0, equals), pair.substring(equals + 1)) != null) {
        throw new IllegalArgumentException(
            "%s is given twice".formatted(pair.substring(0, equals)));
      }
    }
    return texts;
  }

  private void list() {
    if (output.isJson()) {
      output.document(
          Calculators.all().stream()
              .map(
                  c ->
                      Output.map(
                          "name",
                          c.name(),
                          "title",
                          c.title(),
                          "parameters",
                          c.parameters().stream().map(Parameter::name).toList(),
                          "example",
                          c.example()))
              .toList());
      return;
    }
    for (Calculator calculator : Calculators.all()) {
      output.text().printf("%-20s %s%n", calculator.name(), calculator.title());
      output
          .text()
          .printf(
              "%-20s   %s%n",
              "",
              calculator.parameters().stream()
                  .map(CalcCommand::ask)
                  .collect(Collectors.joining("; ")));
      output
          .text()
          .printf("%-20s   unimotus calc %s %s%n", "", calculator.name(), calculator.example());
    }
    output.text().printf("%-20s %s%n", CONVERT, "a quantity in another unit");
    output.text().printf("%-20s   unimotus calc convert value=7.5kW to=hp%n", "");
  }

  private static String ask(Parameter parameter) {
    String unit = parameter.unit().symbol().isEmpty() ? "" : " in " + parameter.unit().symbol();
    String fallback =
        parameter.fallback() == null
            ? ""
            : " (else " + QuantityFormat.PLAIN.number(parameter.fallback()) + ")";
    return parameter.name() + ": " + parameter.about() + unit + fallback;
  }
}
